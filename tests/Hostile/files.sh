#!/usr/bin/env bash
# Hostile files for the running library of FIGPORCH_VAR: tests/Hostile/files.sh HOW-MANY
# Each is taken in or refused with a reason, within its limits; none stops those after it, and nothing is left behind.
. "$(dirname "$0")/../../bin/machine.sh"

folder="$VAR/tmp/hostile-files"
rm -rf "$folder"
as_app php -d memory_limit=1G tests/Hostile/files.php "$folder" "$1"
before=$(find "$VAR/storage/publications" -maxdepth 1 -name '*.*' | wc -l)
status=0
begun=$SECONDS
as_app php artisan catalogue:import "$folder"/* --library=saltmere --licence=simultaneous > "$VAR/log/hostile-files.log" || status=$?
printf '%s in %d s\n' "$(tail -n 1 "$VAR/log/hostile-files.log")" $((SECONDS - begun))
wrong=0
say_wrong() { printf '  %s\n' "$*"; wrong=$((wrong + 1)); }
[ "$(grep -cE '^ *[0-9]+/[0-9]+  ' "$VAR/log/hostile-files.log")" = "$(find "$folder" -type f | wc -l)" ] || say_wrong "not every file was answered"
[ $status -le 1 ] || say_wrong "the import ended with $status"
while read -r line; do say_wrong "$line"; done < <(grep -E 'an error of this program|it was stopped|more memory' "$VAR/log/hostile-files.log" || true)
[ "$(find "$VAR/storage/publications" -maxdepth 1 -name '*.*' | wc -l)" = "$before" ] || say_wrong "something half made was left"
rm -rf "$folder"
echo "$wrong wrong"
[ $wrong = 0 ]
