#!/usr/bin/env bash
# A backup while people borrow, restored elsewhere and recounted: tests/Hostile/backup.sh ADDRESS
. "$(dirname "$0")/../../bin/machine.sh"

elsewhere="$VAR.restored" file="$VAR/tmp/backup-test.tar"
rm -rf "$file" "$elsewhere"
node tests/Hostile/borrowing.mjs "$1" &
borrowing=$!
sleep 2
bin/backup "$file"
kill "$borrowing" 2> /dev/null || true
wait "$borrowing" 2> /dev/null || true
wrong=0
say_wrong() { printf '  %s\n' "$*"; wrong=$((wrong + 1)); }
if bin/backup "$file" > /dev/null 2>&1; then say_wrong "a file that is there is written over"; fi
if bin/restore "$file" > /dev/null 2>&1; then say_wrong "data that is there is written over"; fi
head -c 100000 "$file" > "$file.cut"
if FIGPORCH_VAR="$elsewhere" bin/restore "$file.cut" > /dev/null 2>&1; then say_wrong "half a backup is taken"; fi
FIGPORCH_VAR="$elsewhere" bin/restore "$file"
trap 'FIGPORCH_VAR="$elsewhere" bin/stop --quiet; rm -rf "$elsewhere" "$file" "$file.cut"' EXIT
for name in APP_KEY FIGPORCH_DEMO TRUSTED_HOSTS; do
    [ "$(sed -n "s/^$name=//p" "$VAR/env")" = "$(sed -n "s/^$name=//p" "$elsewhere/env")" ] || say_wrong "$name is another"
done
FIGPORCH_VAR="$elsewhere" PORT=$(free_port 8190) SUPPLIER_TITLES=300 bin/start --detach > "$VAR/log/restored.log"
# As in visitor.mjs: of a mail whose process was killed nobody knows whether it went, and that is rightly said.
while read -r line; do say_wrong "$line"; done < <(FIGPORCH_VAR="$elsewhere" bin/artisan lending:audit | grep -v 'agrees with a recount\|nobody knows whether it went' || true)
for sha in $(FIGPORCH_VAR="$elsewhere" bash -c '. bin/machine.sh; psql_app -d figporch -c "select sha256 from publications"'); do
    [ -d "$elsewhere/storage/publications/$sha/whole" ] || say_wrong "the files of $sha are not there"
done
printf 'restored: %s loans, %s publications; %d wrong\n' "$(FIGPORCH_VAR="$elsewhere" bash -c '. bin/machine.sh; psql_app -d figporch -c "select count(*) from loans"')" \
    "$(find "$elsewhere/storage/publications" -mindepth 1 -maxdepth 1 | wc -l)" $wrong
[ $wrong = 0 ]
