# Sourced by ./mark-turn bench: one part after the other, or those that were asked for.
bench_parts="start compute pages jobs many networks faults cold exports epochs planning"
bench_rounds=7

for part in $bench_asked; do
  [[ " $bench_parts " = *" $part "* ]] || fail "bench has no part $part, only: $bench_parts"
done

bench_start() { # DIR java-options ... : milliseconds from the start of the process to the sign-in page, and to a page behind it that asks the database
  local dir=$1 p began ended asked pid
  shift
  p=$(free_port)
  began=$(date +%s%N)
  (cd "$dir" && exec java "$@" --server.port="$p" > "$build/bench.log" 2>&1) &
  pid=$!
  until curl -sf -o /dev/null --max-time 5 "http://127.0.0.1:$p/$bench_page"; do
    alive "$pid" || fail "a measured application did not start: see $build/bench.log"
    sleep 0.01
  done
  ended=$(date +%s%N)
  curl -s -o /dev/null --max-time 20 "http://127.0.0.1:$p/welcome/none"
  asked=$(date +%s%N)
  kill "$pid" && wait "$pid" 2>/dev/null || true
  printf '%s %s\n' $(((ended - began) / 1000000)) $(((asked - began) / 1000000))
}

bench_serve() { # HEAP : the application with its demo on port $p, its process in $application
  (cd "$build/application" && MARKTURN_DEMO=true exec java $java_options $java_prepared -Xmx"$1" -XX:SharedArchiveFile="$build/classes.jsa" -jar web.jar --server.port="$p" > "$build/bench.log" 2>&1) &
  application=$!
  until curl -sf -o /dev/null --max-time 5 "http://127.0.0.1:$p/sign-in"; do
    alive "$application" || fail "the measured application did not start: see $build/bench.log"
    sleep 0.1
  done
}

bench_median() { cut -d ' ' -f "$1" | sort -n | sed -n "$(((bench_rounds + 1) / 2))p"; }

bench_java() { # java-options ... : a bench within the virtual machine, with the options the application runs with
  # shellcheck disable=SC2086
  java $java_options -cp "$bench_classes" "$@"
}

# A warm start to the sign-in page, side by side with a bare application of the same framework with persistence and security: both from
# extracted jars, with the same options of the virtual machine, each with a class-data-sharing archive of its own, database running,
# nothing to build. What asks the database is made behind the first page: so the time until a page that asks it stands beside.
part_start() {
  local own bare asked
  : > "$build/bench-own"
  : > "$build/bench-bare"
  for _ in $(seq $bench_rounds); do
    # As start does it in a folder that this build has served before.
    MARKTURN_SERVED=true bench_page=sign-in bench_start "$build/application" $java_options $java_prepared -XX:SharedArchiveFile="$build/classes.jsa" -jar web.jar >> "$build/bench-own"
    bench_page=login bench_start "$build/bare" $java_options -XX:SharedArchiveFile="$build/bare.jsa" -jar bench.jar >> "$build/bench-bare"
  done
  own=$(bench_median 1 < "$build/bench-own")
  asked=$(bench_median 2 < "$build/bench-own")
  bare=$(bench_median 1 < "$build/bench-bare")
  say "warm start to the sign-in page, median of $bench_rounds, alternating"
  say "  Mark Turn          $own ms"
  say "  bare application   $bare ms"
  say "  ratio              $(awk "BEGIN { printf \"%.2f\", $own / $bare }")"
  say "  a page that asks the database, asked for right behind it: $asked ms, ratio $(awk "BEGIN { printf \"%.2f\", $asked / $bare }")"
}

bench_took() { # command ... : milliseconds
  local began ended
  began=$(date +%s%N)
  "$@" > /dev/null 2>&1 || fail "a measured command failed: $*"
  ended=$(date +%s%N)
  printf '%s\n' $(((ended - began) / 1000000))
}

# The whole command, from the shell to the written result, beside a virtual machine that does nothing: of a job in which there is everything
# that the format knows, which keeps the classes of all, and of a small one.
part_compute() {
  local files="$house/formats/src/test/resources/markturn/formats"
  bench_computed "$files/frozen/job-0.2.0.json"
  bench_computed "$files/two-sets.json"
}

bench_computed() { # JOB.json
  local own nothing
  "$house/mark-turn" compute "$1" > /dev/null 2>&1 # keeps its classes
  : > "$build/bench-own"
  : > "$build/bench-bare"
  for _ in $(seq $bench_rounds); do
    bench_took "$house/mark-turn" compute "$1" >> "$build/bench-own"
    bench_took java -XX:TieredStopAtLevel=1 -Xshare:auto -cp "$house/bench/target/classes" markturn.bench.Nothing >> "$build/bench-bare"
  done
  own=$(bench_median 1 < "$build/bench-own")
  nothing=$(bench_median 1 < "$build/bench-bare")
  say "compute of a job file of $(($(wc -c < "$1") / 1000)) kB, median of $bench_rounds, alternating"
  say "  compute            $own ms"
  say "  nothing            $nothing ms"
  say "  ratio              $(awk "BEGIN { printf \"%.1f\", $own / $nothing }")"
}

# What people do on pages, on one running application, beside the bare one.
part_pages() {
  local p bare_port bare_application
  need chromium chromium
  p=$(free_port)
  bench_serve "$(heap)m"
  java -cp "$bench_classes" markturn.bench.WhatIfBench "http://127.0.0.1:$p" || fail "the switches could not be measured"
  bare_port=$(free_port)
  (cd "$build/bare" && exec java $java_options -XX:SharedArchiveFile="$build/bare.jsa" -jar bench.jar --server.port="$bare_port" > "$build/bench-bare.log" 2>&1) &
  bare_application=$!
  until curl -sf -o /dev/null --max-time 5 "http://127.0.0.1:$bare_port/login"; do
    alive "$bare_application" || fail "the bare application did not start: see $build/bench-bare.log"
    sleep 0.1
  done
  java -cp "$bench_classes" markturn.bench.BookingBench "http://127.0.0.1:$p" "http://127.0.0.1:$bare_port" || fail "a booked reading could not be measured"
  kill "$bare_application" && wait "$bare_application" 2>/dev/null || true
  java -cp "$bench_classes" markturn.bench.PeopleBench "http://127.0.0.1:$p" || fail "many people could not be measured"
  java -cp "$bench_classes" markturn.bench.NetworkPageBench "http://127.0.0.1:$p" || fail "the page of a network could not be measured"
  java -cp "$bench_classes" markturn.bench.IntakeBench "http://127.0.0.1:$p" || fail "points brought in could not be measured"
  java -cp "$bench_classes" markturn.bench.PlanBench "http://127.0.0.1:$p" || fail "the plan could not be measured"
  java -cp "$bench_classes" markturn.bench.PocketBench "http://127.0.0.1:$p" || fail "a pointing in the pocket could not be measured"
  java -cp "$bench_classes" markturn.bench.FieldLineBench "http://127.0.0.1:$p" || fail "a line in the field could not be measured"
  kill "$application" && wait "$application" 2>/dev/null || true
}

bench_alone() { # HEAP CLASS WORDS : a bench of an application that does nothing else
  local p
  p=$(free_port)
  bench_serve "$1"
  java -cp "$bench_classes" "markturn.bench.$2" "http://127.0.0.1:$p" || fail "$3 could not be measured"
  kill "$application" && wait "$application" 2>/dev/null || true
}

part_jobs() { bench_alone "$(heap)m" JobsBench "the list of jobs"; }

# In a small heap.
part_many() { bench_alone 1g ManyJobsBench "many jobs"; }

part_networks() {
  say "networks by nested dissection, beside a bare factorisation and a general optimiser, with the options the application runs with"
  bench_java -Xmx2g markturn.bench.NetworkBench || fail "the networks could not be measured"
}

part_faults() {
  say "single faults of a network, beside its adjustment"
  bench_java -Xmx2g markturn.bench.FaultBench || fail "the single faults could not be measured"
}

part_cold() {
  say "cold jobs of setups of 25 lines, opened from their rows, beside parsing these alone"
  bench_java -Xmx2g markturn.bench.ColdBookBench || fail "the opening of a cold job could not be measured"
}

part_exports() {
  say "what leaves a job of 200 setups and 5 000 readings"
  bench_java -Xmx1g -Dlogback.configurationFile=quiet-logback.xml markturn.bench.ExportsBench || fail "the exports could not be measured"
}

part_epochs() {
  say "what moved over twelve epochs of sixty marks, beside one pseudo-inverse by a general library"
  bench_java -Xmx2g markturn.bench.EpochBench || fail "the epochs could not be measured"
}

part_planning() {
  say "planning: a frame under the finger, the ground, a proposal, beside one inverse by a general library"
  bench_java -Xmx2g markturn.bench.PlanningBench || fail "planning could not be measured"
}

need curl curl
build_application
maven bench -q package dependency:build-classpath -DskipTests -Dmdep.outputFile="$build/bench-classpath" -pl bench -am || fail "the bare application could not be built"
bench_classes="$house/bench/target/classes:$(cat "$build/bench-classpath")" # of the last module, which is the benchmarks' own
rm -rf "$build/bare" "$build/bare.jsa"
java -Djarmode=tools -jar "$house/bench/target/bench.jar" extract --destination "$build/bare" > /dev/null
mkdir -p "$build/bench-data"
trap 'stop_database "$build/bench-data"' EXIT
start_database "$build/bench-data"
train "$build/bench-data"
SPRING_DATASOURCE_URL="jdbc:mariadb://127.0.0.1:$(cat "$build/bench-data/database.port")/markturn"
SPRING_DATASOURCE_PASSWORD=$(cat "$build/bench-data/database.password")
MARKTURN_MIGRATION_PASSWORD=$(cat "$build/bench-data/migration.password")
export SPRING_DATASOURCE_URL SPRING_DATASOURCE_PASSWORD SPRING_DATASOURCE_USERNAME=markturn MARKTURN_MIGRATION_USER=migration MARKTURN_MIGRATION_PASSWORD
bench_page=sign-in bench_start "$build/application" $java_options $java_prepared -XX:SharedArchiveFile="$build/classes.jsa" -jar web.jar > /dev/null # migrates
bench_page=login bench_start "$build/bare" $java_options -XX:ArchiveClassesAtExit="$build/bare.jsa" -jar bench.jar > /dev/null
for part in ${bench_asked:-$bench_parts}; do
  "part_$part"
done
