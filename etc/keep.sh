#!/usr/bin/env bash
# Keeps one command running: what dies is started again a second later. Leads a session of its own, so that whoever ends
# it can end everything it started, and children that outlive their parent do not hold the door shut for the next.
# ALSO: how such children are called, where they make a session of their own.
rest() {
    local p
    for p in $(pgrep -s $$) $(pgrep -f "${ALSO:-^$}"); do [ "$p" = $$ ] || kill -"$1" "$p" 2>/dev/null; done
}
child=
trap 'kill -TERM "$child" 2>/dev/null; rest TERM; wait "$child"; exit 0' TERM
while :; do
    "$@" &
    child=$!
    wait "$child"
    rest KILL
    sleep 1
done
