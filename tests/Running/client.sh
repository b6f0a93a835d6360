# Speaks to the API as a browser does, for the scripts beside it: cookies in $JAR, the CSRF token out of them.
token() { awk '$6 == "XSRF-TOKEN" { print $7 }' "$JAR" 2>/dev/null | php -r 'echo urldecode(trim(stream_get_contents(STDIN)));'; }
ask() { curl -sk -c "$JAR" -b "$JAR" -H 'Accept: application/json' -H "X-XSRF-TOKEN: $(token)" "$@"; }
send() { # json, then what curl takes
  ask -H 'Content-Type: application/json' -d "$@"
}
