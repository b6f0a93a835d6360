#!/usr/bin/env bash
# A copy that others reach, without the demo: the one-use link that it prints opens a workshop. Prints what is wrong.
set -uo pipefail
ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
# shellcheck source=../../deploy/machine.sh
. "$ROOT/deploy/machine.sh"
# shellcheck source=client.sh
. "$ROOT/tests/Running/client.sh"
cd "$ROOT" || exit 1
export HOLLIN_STATE=open
LOG=$(mktemp) PORT=$(free_port 18100 0.0.0.0)
JAR="$LOG.jar"
bin/start --fresh --no-demo --host 0.0.0.0 --port "$PORT" >"$LOG" 2>&1 & PID=$!
trap 'kill "$PID" 2>/dev/null; wait "$PID" 2>/dev/null; rm -rf "$LOG" "$JAR" "$(state_dir open)"' EXIT
for _ in $(seq 1 120); do grep -q 'Ctrl-C' "$LOG" && break; sleep 0.5; done
LINK=$(grep -o 'http://[^ ]*/set-up/[A-Za-z0-9]*' "$LOG") || { cat "$LOG"; exit 1; }
grep -q 'rowan-and-lath' "$LOG" && { echo 'a demo password is offered'; exit 1; }
ADDRESS=${LINK%/set-up/*}
open() { send "{\"token\":\"${LINK##*/}\",\"workshop\":\"Otter Yard\",\"name\":\"Sorrel Pike\",\"email\":\"$1\",\"password\":\"four tall oaks leaning\"}" -o /dev/null -w '%{http_code}' "$ADDRESS/api/v1/set-up"; }
ask "$ADDRESS/api/v1/session" >/dev/null
[ "$(open sorrel@hollin.test)" = 201 ] || { echo 'the link does not open a workshop'; exit 1; }
[ "$(open again@hollin.test)" = 422 ] || { echo 'the link opens a second one'; exit 1; }
bin/hollin reset-link sorrel@hollin.test | grep -q '/join#' || { echo 'no link for a new password'; exit 1; }
[ "$(curl -s -o /dev/null -w '%{http_code}' -H 'Host: elsewhere.example' "$ADDRESS/")" = 400 ] || { echo 'it answers to any name'; exit 1; }
