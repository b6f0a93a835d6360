#!/usr/bin/env bash
# The backup $1, brought into a fresh copy and started: people sign in with what they had, and the jobs are there. Prints
# what is wrong.
set -uo pipefail
ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
# shellcheck source=../../deploy/machine.sh
. "$ROOT/deploy/machine.sh"
# shellcheck source=client.sh
. "$ROOT/tests/Running/client.sh"
cd "$ROOT" || exit 1
rm -rf "$(state_dir again)"
bin/restore "$1" --into again || { echo 'it is not restored'; exit 1; }
bin/restore "$1" --into again 2>/dev/null && { echo 'it writes over a copy that has data'; exit 1; }
LOG=$(mktemp) PORT=$(free_port 18300)
JAR="$LOG.jar"
HOLLIN_STATE=again bin/start --no-demo --port "$PORT" >"$LOG" 2>&1 & PID=$!
trap 'kill "$PID" 2>/dev/null; wait "$PID" 2>/dev/null; rm -rf "$LOG" "$JAR" "$(state_dir again)"' EXIT
for _ in $(seq 1 120); do grep -q 'Ctrl-C' "$LOG" && break; sleep 0.5; done
grep -q 'Ctrl-C' "$LOG" || { cat "$LOG"; exit 1; }
grep -q set-up/ "$LOG" && { echo 'it offers to open a workshop that is there'; exit 1; }
API="http://127.0.0.1:$PORT/api/v1"
ask "$API/session" >/dev/null
send '{"email":"lead@hollin.test","password":"rowan-and-lath"}' "$API/session" | grep -q '"role":"lead"' || { echo 'nobody can sign in'; exit 1; }
ask "$API/jobs" | grep -q 'Tide-line van' || { echo 'the jobs are not there'; exit 1; }
FILES=$(mktemp -d); tar -C "$FILES" -xf "$1"; chmod -R go+rX "$FILES"
HOLLIN_STATE=again bin/hollin files put "$FILES/backup/files" | grep -q ' 0 missing' || { echo 'files are missing'; exit 1; }
rm -rf "$FILES"
