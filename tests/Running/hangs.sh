#!/usr/bin/env bash
# A database that hangs, of the copy HOLLIN_STATE at the address $1: whoever asks is told so within some seconds, what
# looks after it too, and it goes on by itself. Prints what is wrong.
set -uo pipefail
ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
# shellcheck source=../../deploy/machine.sh
. "$ROOT/deploy/machine.sh"
DATA="$(state_dir "${HOLLIN_STATE:?}")/pg/data" ADDRESS=$1 WRONG=0
wrong() { echo "$*"; WRONG=1; }
ask() { curl -s --max-time "$1" -o /dev/null -w '%{http_code}' -H 'Accept: application/json' -H 'Authorization: Bearer 1|x' "$ADDRESS$2"; }
mapfile -t SERVERS < <(for pid in $(pgrep -x postgres); do [ "$(readlink "/proc/$pid/cwd")" = "$DATA" ] && echo "$pid"; done)
[ "${#SERVERS[@]}" -gt 3 ] || { echo "no database works in $DATA"; exit 1; }
trap 'kill -CONT "${SERVERS[@]}" 2>/dev/null' EXIT
kill -STOP "${SERVERS[@]}"
for i in 1 2 3 4 5; do ask 14 /api/v1/session >"/tmp/hangs.$$.$i" & done
[ "$(ask 6 /up)" = 503 ] || wrong '/up does not say within six seconds that the database is away'
wait
for i in 1 2 3 4 5; do
  [[ $(cat "/tmp/hangs.$$.$i") =~ ^50[34]$ ]] || wrong "somebody waits, or is told $(cat "/tmp/hangs.$$.$i")"
  rm -f "/tmp/hangs.$$.$i"
done
kill -CONT "${SERVERS[@]}"
for _ in $(seq 1 100); do [ "$(ask 5 /up)" = 200 ] && break; sleep 0.2; done
[ "$(ask 5 /up)" = 200 ] || wrong 'it does not go on by itself'
[ "$(ask 5 /api/v1/session)" = 401 ] || wrong 'a request does not go through again'
exit "$WRONG"
