#!/usr/bin/env bash
# Runs a command again and again, until it is told to end itself.
child=
end() {
    [ -z "$child" ] || { kill -TERM "$child" && wait "$child"; } 2>/dev/null
    exit 0
}
trap end TERM INT
while true; do
    "$@" &
    child=$!
    wait "$child"
    sleep 1 &
    child=$!
    wait "$child"
done
