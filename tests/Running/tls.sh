#!/usr/bin/env bash
# A copy with an authority of its own: whoever trusts it reaches the copy, nobody else does; the page for tablets shows the
# authority's true code and gives out no key; the next start keeps it. Prints what is wrong.
set -uo pipefail
ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
# shellcheck source=../../deploy/machine.sh
. "$ROOT/deploy/machine.sh"
cd "$ROOT" || exit 1
export HOLLIN_STATE=tls
LOG=$(mktemp) PORT=$(free_port 18300) CODE=''
trap 'kill "$PID" 2>/dev/null; wait "$PID" 2>/dev/null; rm -rf "$LOG" "$LOG".* "$(state_dir tls)"' EXIT
wrong() { echo "$1"; exit 1; }
for start in first second; do
  bin/start --tls --port "$PORT" >"$LOG" 2>&1 & PID=$!
  for _ in $(seq 1 240); do grep -q 'Ctrl-C' "$LOG" && break; sleep 0.5; done
  PAGE=$(sed 's/\x1b\[[0-9;]*m//g' "$LOG" | grep -o 'trust it at http://[^; ]*' | grep -o 'http://.*') || { cat "$LOG"; exit 1; }
  curl -fsS "$PAGE/hollin.crt" -o "$LOG.crt" || wrong "$start start: the authority cannot be fetched"
  # As openssl reads it, not as the page says.
  TRUE=$(openssl x509 -in "$LOG.crt" -noout -fingerprint -sha256 | sed 's/.*=//; s/://g')
  curl -fsS "$PAGE/" | sed 's/<[^>]*>//g' | tr -d ' \n' | grep -q "$TRUE" || wrong "$start start: the page shows another code"
  sed 's/\x1b\[[0-9;]*m//g' "$LOG" | tr -d ' \n' | grep -q "$TRUE" || wrong "$start start: the screen shows another code"
  [ "${CODE:-$TRUE}" = "$TRUE" ] || wrong 'the second start made another authority'
  CODE=$TRUE
  curl -s "https://localhost:$PORT/up" -o /dev/null && wrong 'whoever does not trust it is let in'
  for name in localhost 127.0.0.1; do
    curl -fsS --cacert "$LOG.crt" "https://$name:$PORT/up" -o /dev/null || wrong "$name is not reached by whoever trusts it"
  done
  curl -fsS --cacert "$LOG.crt" "https://localhost:$PORT/sw.js" | grep -q fetch || wrong 'no worker for a tablet without a signal'
  for path in authority.key tls/authority.key ../tls/authority.key hollin.key; do
    curl -s --path-as-is "$PAGE/$path" | grep -q 'PRIVATE KEY' && wrong "$path is given out"
  done
  [ "$(stat -c %a "$(state_dir tls)/tls/authority.key")" = 600 ] || wrong 'others on the machine read the key'
  kill "$PID"; wait "$PID" 2>/dev/null
done
exit 0
