#!/usr/bin/env bash
# bin/stop while many are being answered: tests/Hostile/stop.sh ADDRESS
# Whoever was let in gets the whole answer; whoever comes after that finds the door closed, not an answer cut off.
. "$(dirname "$0")/../../bin/machine.sh"

log="$VAR/log/stop.log"
: > "$log"
for _ in 1 2 3 4 5 6 7 8; do
    (
        until [ -e "$VAR/tmp/stopped" ]; do
            # 7: no connection was to be had; 22: an answer that says so.
            curl -s -f -o /dev/null --max-time 60 "$1/catalogue?library=saltmere&q=sea" && echo ok || echo "curl $?"
        done >> "$log"
    ) &
done
sleep 2
rm -f "$VAR/tmp/stopped"
bin/stop --quiet
touch "$VAR/tmp/stopped"
wait
rm -f "$VAR/tmp/stopped"
answered=$(grep -c '^ok$' "$log") lost=$(grep -cvE '^(ok|curl 7)$' "$log" || true)
echo "stopped while $answered were answered: $lost answers lost"
[ "$lost" = 0 ] && [ "$answered" -gt 20 ]
