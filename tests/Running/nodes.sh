#!/usr/bin/env bash
# Two nodes on one database and one object store, behind one address with TLS: what docs/running.md says of it, done.
# Prints what is wrong and ends with 1; prints nothing and ends with 0 where all is as it should be.
set -uo pipefail
ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
# shellcheck source=../../deploy/machine.sh
. "$ROOT/deploy/machine.sh"
# shellcheck source=client.sh
. "$ROOT/tests/Running/client.sh"
cd "$ROOT" || exit 1
BASE=$(state_dir nodes)
rm -rf "$BASE" "$(state_dir nodea)" "$(state_dir nodeb)" "$(state_dir nodec)"
mkdir -p "$BASE/front/tmp"
STARTED=() WRONG=0
finish() {
  for pid in "${STARTED[@]}"; do kill "$pid" 2>/dev/null; done
  wait
  cluster_stop
  rm -rf "$BASE" "$(state_dir nodea)" "$(state_dir nodeb)" "$(state_dir nodec)"
}
trap finish EXIT
wrong() { echo "$*"; WRONG=1; }
expect() { [[ $3 == *"$2"* ]] || wrong "$1: \"$2\" is not in: $(head -c 400 <<<"$3")"; }

# What somebody else keeps: a database, an object store, a web server with a certificate.
cluster_start "$BASE" tests
PGPASSWORD=$DB_PASSWORD createdb -h 127.0.0.1 -p "$DB_PORT" -U hollin shared
A=$(free_port 19100) B=$(free_port 19300) TLS=$(free_port 19500) STORE=$(free_port 19700)
STORE_FOLDER="$BASE/store" STORE_KEY=hollin php -S "127.0.0.1:$STORE" standins/object-store.php >/dev/null 2>&1 & STARTED+=($!)
openssl req -x509 -newkey rsa:2048 -nodes -days 2 -subj /CN=localhost -keyout "$BASE/front/key" -out "$BASE/front/cert" 2>/dev/null
cat >"$BASE/front/nginx.conf" <<NGINX
pid $BASE/front/pid;
$(is_root && echo 'user root;')
events {}
http {
  access_log off;
  client_body_temp_path $BASE/front/tmp; proxy_temp_path $BASE/front/tmp; fastcgi_temp_path $BASE/front/tmp; uwsgi_temp_path $BASE/front/tmp; scgi_temp_path $BASE/front/tmp;
  upstream nodes { server 127.0.0.1:$A; server 127.0.0.1:$B; }
  server {
    listen 127.0.0.1:$TLS ssl;
    ssl_certificate $BASE/front/cert; ssl_certificate_key $BASE/front/key;
    client_max_body_size 14m;
    location / {
      proxy_pass http://nodes;
      proxy_set_header Host \$host;
      proxy_set_header X-Forwarded-For \$remote_addr;
      proxy_set_header X-Forwarded-Proto https;
    }
  }
}
NGINX
/usr/sbin/nginx -e "$BASE/front/log" -c "$BASE/front/nginx.conf" -g 'daemon off;' & STARTED+=($!)

export HOLLIN_DATABASE=external DB_HOST=127.0.0.1 DB_PORT DB_PASSWORD DB_USERNAME=hollin DB_DATABASE=shared
export HOLLIN_URL="https://localhost:$TLS" HOLLIN_PROXIES=127.0.0.1 SESSION_DRIVER=database
export HOLLIN_DISK=object-store HOLLIN_STORE_ENDPOINT="http://127.0.0.1:$STORE" HOLLIN_STORE_KEY=hollin HOLLIN_STORE_SECRET=a-secret
APP_KEY="base64:$(head -c 32 /dev/urandom | base64)"; export APP_KEY
# Both at once: one brings the database up to date, the other waits for it.
HOLLIN_STATE=nodea bin/start --port "$A" >"$BASE/a.log" 2>&1 & STARTED+=($!)
HOLLIN_STATE=nodeb bin/start --port "$B" >"$BASE/b.log" 2>&1 & STARTED+=($!)
for _ in $(seq 1 240); do
  grep -q 'Hollin is at' "$BASE/a.log" && grep -q 'Hollin is at' "$BASE/b.log" && break
  sleep 0.5
done
grep -q 'Hollin is at' "$BASE/a.log" && grep -q 'Hollin is at' "$BASE/b.log" || { cat "$BASE"/?.log; exit 1; }

JAR="$BASE/jar"
API="https://localhost:$TLS/api/v1"
head=$(ask -D - -o /dev/null "$API/session")
expect 'a cookie of this host alone' '__Host-hollin=' "$head"
expect 'TLS from now on' 'strict-transport-security: max-age=31536000' "${head,,}"
grep -i '^set-cookie' <<<"$head" | grep -viq '; secure' && wrong 'a cookie without Secure'
expect 'signing in' '"role":"lead"' "$(send '{"email":"lead@hollin.test","password":"rowan-and-lath"}' --interface 127.0.0.2 "$API/session")"
# The front takes turns: each of these is another node's.
for _ in 1 2 3 4; do expect 'signed in on both nodes' '"role":"lead"' "$(ask "$API/session")"; done
php -r '$i = imagecreatetruecolor(640, 480); imagefilledrectangle($i, 9, 9, 300, 200, 0xc02020); imagejpeg($i, $argv[1]);' "$BASE/photo.jpg"
expect 'a photograph is taken' '"component":"inlet"' "$(ask -F component=inlet -F "photo=@$BASE/photo.jpg" "$API/jobs/1/photos")"
expect 'a sheet is queued' '"status":"waiting"' "$(send '{"view":"as_found","paper":"letter"}' "$API/jobs/1/sheets")"
for _ in $(seq 1 60); do
  [[ $(ask "$API/jobs/1/photos")$(ask "$API/sheets/1") == *kept*done* ]] && break
  sleep 0.5
done
# A page that was printed before its wall was drawn has a tenth of that.
[ "$(ask "$API/sheets/1/pdf" | wc -c)" -gt 50000 ] || wrong 'the sheet is printed empty'
for _ in 1 2; do
  expect 'a photograph, whichever node is asked' 'image/jpeg' "$(ask -o /dev/null -w '%{content_type}' "$API/photos/1")"
  expect 'a sheet, whichever node is asked' '%PDF' "$(ask "$API/sheets/1/pdf" | head -c 8 | tr -d '\0')"
done
[ -z "$(find "$(state_dir nodea)/storage/app/private" "$(state_dir nodeb)/storage/app/private" -type f 2>/dev/null)" ] || wrong 'a node keeps files of its own'
expect 'the address of who asks, not of the front' '"address":"127.0.0.2"' "$(ask "$API/audit")"
# Whoever comes past the front is nobody's proxy: what it says about TLS counts only from those named.
expect 'one demo workshop, not two' '"id":7' "$(ask "$API/jobs")"
[[ $(ask "$API/jobs") == *'"id":8'* ]] && wrong 'the demo workshop is there twice'
HOLLIN_STATE=nodea bin/backup "$BASE/all.tar" >/dev/null 2>"$BASE/backup.log" || wrong "a backup: $(tail -3 "$BASE/backup.log")"
bin/restore "$BASE/all.tar" --verify >/dev/null 2>"$BASE/restore.log" || wrong "a restore: $(tail -3 "$BASE/restore.log")"
# One node goes: the other does its work.
kill "${STARTED[2]}"; wait "${STARTED[2]}" 2>/dev/null
for _ in 1 2 3; do expect 'with one node left' '"role":"lead"' "$(ask "$API/session")"; done
exit "$WRONG"
