#!/usr/bin/env bash
# Whatever of a running copy is killed, alone or all of it at once as a power cut does, it answers again by itself:
# killed.sh URL PARTS, the folder in which the copy keeps the numbers of its processes.
set -u
URL=$1 PARTS=$2
answers() {
  for _ in $(seq 1 150); do
    sleep 0.2
    php -r 'exit((int) (@file_get_contents($argv[1]) === false));' "$URL/up" && return 0
  done
  return 1
}
for parts in php 'web worker' 'php web database worker' 'worker database' 'php web database worker'; do
  for part in $parts; do
    # With all that belongs to it; or alone, while it waits to be started.
    number=$(cat "$PARTS/$part")
    kill -KILL -- "-$number" 2>/dev/null || kill -KILL "$number" 2>/dev/null || true
  done
  answers || { echo "gone after the end of: $parts"; exit 1; }
done
# The worker too: nobody asks it whether it is there.
for _ in $(seq 1 150); do kill -0 "$(cat "$PARTS/worker")" 2>/dev/null && exit 0; sleep 0.2; done
exit 1
