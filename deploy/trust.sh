# Sourced by bin/start --tls: an authority of this copy's own, a certificate by it for the names it answers to, and the page
# by which a tablet comes to trust it. Needs $STATE, $ROOT, $HOST, $PORT; sets $TLS_NAMES.

# Names and addresses that the certificate is for.
trust_names() {
  case $HOST in
    0.0.0.0) printf '%s\n' localhost 127.0.0.1 "$(hostname)" $(hostname -I 2>/dev/null) ;;
    *) printf '%s\n' "$HOST" localhost 127.0.0.1 ;;
  esac | sort -u
}

# Makes the authority once, and a certificate whenever there is none for these names that still holds for a month.
trust_make() {
  local tls="$STATE/tls" names alt='' n
  mkdir -p "$tls"
  if [ ! -s "$tls/authority.crt" ]; then
    say 'making an authority of this copy'
    openssl ecparam -name prime256v1 -genkey -noout -out "$tls/authority.key" 2>/dev/null || die 'openssl could not make a key.'
    openssl req -x509 -new -key "$tls/authority.key" -sha256 -days 3650 -subj "/CN=Hollin on $(hostname)" \
      -addext 'basicConstraints=critical,CA:TRUE,pathlen:0' -addext 'keyUsage=critical,keyCertSign,cRLSign' \
      -out "$tls/authority.crt" 2>/dev/null || die 'openssl could not make an authority.'
  fi
  names=$(trust_names)
  for n in $names; do
    if [[ $n =~ ^[0-9.]+$ || $n == *:* ]]; then alt+="IP:$n,"; else alt+="DNS:$n,"; fi
  done
  if [ "$(cat "$tls/names" 2>/dev/null)" != "$alt" ] || ! openssl x509 -checkend 2592000 -noout -in "$tls/server.crt" >/dev/null 2>&1; then
    openssl ecparam -name prime256v1 -genkey -noout -out "$tls/server.key" 2>/dev/null
    openssl req -new -key "$tls/server.key" -subj '/CN=Hollin' -out "$tls/server.csr" 2>/dev/null
    printf 'basicConstraints=critical,CA:FALSE\nkeyUsage=critical,digitalSignature\nextendedKeyUsage=serverAuth\nsubjectAltName=%s\n' "${alt%,}" >"$tls/server.ext"
    openssl x509 -req -in "$tls/server.csr" -CA "$tls/authority.crt" -CAkey "$tls/authority.key" -CAcreateserial -sha256 -days 390 \
      -extfile "$tls/server.ext" -out "$tls/server.crt" 2>/dev/null || die 'openssl could not make a certificate.'
    rm -f "$tls/server.csr" "$tls/server.ext"
    printf %s "$alt" >"$tls/names"
  fi
}

# The code of the authority that tablet and screen must agree on.
trust_code() { openssl x509 -in "$STATE/tls/authority.crt" -noout -fingerprint -sha256 | sed 's/.*=//'; }

# A page for the tablet: the authority to fetch, its code to compare, the address to go to then. $1 = address with TLS.
trust_page() {
  local page="$STATE/web/trust" code
  code=$(trust_code)
  mkdir -p "$page"
  cp "$STATE/tls/authority.crt" "$page/hollin.crt"
  (cd "$ROOT" && node deploy/trust-page.mjs "$1" "$code" >"$page/index.html") || die 'the page for tablets could not be written.'
  chmod -R go+rX "$page"
  is_root && chmod 711 "$STATE/web"
  return 0
}
