# sh deploy/rotate-logs.sh: run every night. What nginx and php-fpm have logged becomes a file of its own day, and whatever
# is older than 14 days goes. What supervisor writes it cuts by size itself.
set -eu
: "${FIGPORCH_VAR:?}" "${RUN:?}"
day=$(date -d yesterday +%Y-%m-%d)
for name in nginx-access nginx-error php-fpm php-error; do
    if [ -s "$FIGPORCH_VAR/log/$name.log" ]; then mv -n "$FIGPORCH_VAR/log/$name.log" "$FIGPORCH_VAR/log/$name.$day.log"; fi
done
for program in nginx php-fpm; do
    if [ -s "$RUN/$program.pid" ]; then kill -USR1 "$(cat "$RUN/$program.pid")" || true; fi
done
find "$FIGPORCH_VAR/log" "$FIGPORCH_VAR/storage/logs" -type f -name '*.log*' -mtime +14 -delete
