# sh deploy/alone.sh GROUP-FILE COMMAND…
# Runs a server whose workers outlive it when it alone is killed, and keep its socket or port so that it could never
# come back: what is left of its last process group ends first. Supervisor gives each of its programs a group of its own.

file=$1
shift
left=$(cat "$file" 2> /dev/null)
if [ -n "$left" ]; then
    for stat in /proc/[0-9]*/stat; do
        # "pid (name) state parent group …", see proc(5). The name says that the number is not somebody else's by now.
        { read -r line < "$stat"; } 2> /dev/null || continue
        name=${line#*\(}
        name=${name%\)*}
        group=${line##*\) }
        group=${group#* }
        group=${group#* }
        group=${group%% *}
        if [ "$group" = "$left" ] && [ "$name" = "${1##*/}" ]; then kill -KILL "${line%% *}" 2> /dev/null; fi
    done
fi
echo $$ > "$file"
exec "$@"
