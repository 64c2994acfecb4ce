#!/usr/bin/env bash
# Every check, or one group of them. Called by ./awning test, which has set up what is needed.
set -u
wanted=${1:-all}
failed=()
run() { # name, command...
    local name=$1; shift
    [ "$wanted" = all ] || [ "$wanted" = "$name" ] || return 0
    printf '\n== %s\n' "$name"
    local began=$SECONDS
    "$@" || failed+=("$name")
    printf -- '-- %s: %s s\n' "$name" $((SECONDS - began))
}
fixtures() { php core/tests/write_fixtures.php var/fixtures; }
front() {
    # Each of these takes one core: two at a time.
    npm run --silent lint >"$VAR/log/lint.log" 2>&1 &
    local lint=$! failed=0
    { npm run --silent types && npx --no-install knip && npm run --silent format:check; } || failed=1
    wait "$lint" || failed=1
    cat "$VAR/log/lint.log"
    [ $failed = 0 ] && fixtures && npm run --silent test
}
static() { vendor/bin/phpstan analyse --no-progress --memory-limit=2G -c phpstan.core.neon && vendor/bin/phpstan analyse --no-progress --memory-limit=2G && vendor/bin/pint --test && php tests/line_lengths.php && php artisan awning:types --check; }
# In two processes, each with a database and folders of its own (tests/bootstrap.php).
in_parallel() { local suite=$1; shift; php vendor/bin/paratest -p 2 --testsuite "$suite" "$@"; }
database() { DB_DATABASE=awning_test start_database; mkdir -p var/tmp/test-works var/tmp/test-storage/framework/{views,cache,sessions} var/tmp/test-storage/logs; }

export XDEBUG_MODE=off
owned=1; alive "$VAR/run/mariadb.pid" && owned=0
case "$wanted" in all | feature | browser | reference) database ;; esac
run front front
run static static
if [ "$wanted" = all ]; then
    # It attacks a copy of its own and waits most of the time: beside what keeps the cores busy.
    php tests/Drill/run.php --short >"$VAR/log/drill.log" 2>&1 &
    drill=$!
fi
run core in_parallel core
run feature in_parallel feature --functional
if [ "$wanted" = all ]; then
    wait "$drill" || failed+=(drill)
    printf '\n== drill, beside core and feature\n'
    cat "$VAR/log/drill.log"
else
    run drill php tests/Drill/run.php --short
fi
# Two of its tests are as long as all others together: shared out by test, not by class.
run reference in_parallel reference --functional
run browser in_parallel browser
# A database that was there before is somebody's; one of ours goes with the tests.
[ $owned = 1 ] && ends "$VAR/run/mariadb.pid"

if [ ${#failed[@]} -gt 0 ]; then printf '\nFailed: %s\n' "${failed[*]}"; exit 1; fi
printf '\nEverything passed.\n'
