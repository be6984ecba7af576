# shellcheck shell=bash
# Sourced by the commands of this folder: finds or installs what they need. Messages go to standard error.
# $here is the project's folder, which the command sets; $run and $program are set for it.
# shellcheck disable=SC2154,SC2034

say() { printf 'lochan: %s\n' "$*" >&2; }
stop() { local code=$1; shift; say "$*"; exit "$code"; }

# Runs as root, by sudo where that needs no password; fails where there is no right to install.
as_root() {
  if [ "$(id -u)" -eq 0 ]; then "$@"
  elif command -v sudo >/dev/null && sudo -n true 2>/dev/null; then sudo "$@"
  else return 77; fi
}

# need_package PACKAGE PROGRAM WHY: installs Debian's package when its program is missing.
need_package() {
  local package=$1 program=$2 why=$3 policy=/usr/sbin/policy-rc.d made=
  PATH=$PATH:/usr/sbin command -v "$program" >/dev/null && return 0
  command -v apt-get >/dev/null || stop 1 "$program is missing and this is no Debian: install $package ($why)."
  as_root true || stop 1 "$program is missing and you may not install here: ask for Debian's package $package ($why), or run once as root: apt-get install $package"
  say "installing Debian's package $package: $why."
  # Nothing that is installed may start a server of the system.
  if [ ! -e "$policy" ]; then
    printf '#!/bin/sh\nexit 101\n' | as_root tee "$policy" >/dev/null && as_root chmod +x "$policy" && made=yes
  fi
  local log; log=$(mktemp)
  if ! { as_root apt-get update -qq && as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$package"; } >"$log" 2>&1 </dev/null; then
    [ -z "$made" ] || as_root rm -f "$policy"
    tail -3 "$log" >&2
    stop 1 "$package could not be installed: fix what stands above, then start again (all of it: $log)."
  fi
  [ -z "$made" ] || as_root rm -f "$policy"
  rm -f "$log"
}

# Sets $java to the newest JDK of 25 or more.
need_java() {
  local candidate version best=0
  java=
  for candidate in "${JAVA_HOME:-/nowhere}" /usr/lib/jvm/*; do
    if [ ! -x "$candidate/bin/javac" ] || [ ! -r "$candidate/release" ]; then continue; fi
    version=$(sed -n 's/^JAVA_VERSION="\([0-9]*\).*/\1/p' "$candidate/release")
    if [ "${version:-0}" -ge 25 ] && [ "$version" -gt "$best" ]; then best=$version java=$candidate/bin/java; fi
  done
  [ -n "$java" ] || stop 1 "no JDK of 25 or newer under /usr/lib/jvm or JAVA_HOME: install one (Debian's openjdk-25-jdk or Temurin's temurin-25-jdk) and start again."
}

# One collector thread, no more compiled code than needed; nothing of the JVM's own is printed among answers. The application adds a small
# heap, so that it has bounds (README, "Memory"); commands on a file take what they need.
jvm=(-XX:+UseSerialGC -XX:MaxMetaspaceSize=160m -XX:ReservedCodeCacheSize=64m -Xlog:disable -Xlog:all=error:stderr
  --enable-native-access=ALL-UNNAMED)
small=(-Xmx256m -Xss512k -XX:MaxDirectMemorySize=32m -XX:+ExitOnOutOfMemoryError)
export MALLOC_ARENA_MAX=2

# stop_database HOME: ends the private database that a start left behind in a data folder.
stop_database() {
  local file=$1/mariadb.pid left
  [ -f "$file" ] || return 0
  left=$(cat "$file")
  kill "$left" 2>/dev/null || true
  for _ in $(seq 100); do kill -0 "$left" 2>/dev/null || return 0; sleep 0.1; done
}

# keep_running COMMAND …: runs the application, passes on what tells it to end, and starts it again when it broke down: out of memory (3) or
# ended by the system (SIGABRT, SIGKILL, SIGSEGV). One that breaks down again and again within a minute is given up.
keep_running() {
  local child='' ended='' code began quick=0
  trap 'ended=yes; [ -z "$child" ] || kill -TERM "$child" 2>/dev/null' INT TERM HUP
  while :; do
    began=$SECONDS
    "$@" </dev/null &
    child=$!
    # A wait that a signal interrupts is no end yet.
    while :; do
      code=0; wait "$child" || code=$?
      kill -0 "$child" 2>/dev/null || break
    done
    [ -z "$ended" ] || exit "$code"
    case $code in 3|134|137|139) ;; *) exit "$code" ;; esac
    [ $((SECONDS - began)) -lt 60 ] && quick=$((quick + 1)) || quick=0
    if [ "$quick" -ge 3 ]; then
      [ -z "${LOCHAN_HOME:-}" ] || stop_database "$LOCHAN_HOME"
      stop 1 "Lochan crashed three times within a minute of its start (status $code). See the messages above. Its database is stopped."
    fi
    say "Lochan crashed (status $code) and is starting again; nothing that was acknowledged is lost."
  done
}

# Sets $run, the words that start the JVM, and $program, what -jar is to run. Builds it first when a source is newer.
need_program() {
  local jar=$here/web/target/lochan.jar app=$here/web/target/app
  if [ ! -f "$jar" ] || [ -n "$(find "$here/pom.xml" "$here"/*/pom.xml "$here"/*/src/main "$here/web/package-lock.json" -newer "$jar" -print -quit)" ]; then
    build "$jar"
  fi
  if [ ! -f "$app/lochan.jar" ] || [ "$jar" -nt "$app/lochan.jar" ]; then
    lay_out "$jar" "$app"
  fi
  if [ -f "$app/lochan.jar" ]; then run=("$java" "${jvm[@]}" "-XX:AOTCache=$app/lochan.aot") program=$app/lochan.jar
  else run=("$java" "${jvm[@]}") program=$jar; fi
}

# Sets $run and $program for a command on a file: it needs neither the pages nor a database.
need_command_line() {
  local jar=$here/cli/target/lochan-cli.jar
  if [ ! -f "$jar" ] || [ -n "$(find "$here/pom.xml" "$here"/{core,eventformat,instruments,cli}/{pom.xml,src/main} -newer "$jar" -print -quit)" ]; then
    need_package maven mvn "it builds Lochan"
    packed "$jar" -pl cli -am
  fi
  run=("$java" "${jvm[@]}" -Xlog:disable -Xlog:all=off) program=$jar
  # A plan of the demo tells the JVM its classes beforehand, which halves every later start. Where that cannot be kept all runs as well, only slower.
  local classes=${jar%.jar}.aot made
  if [ "$jar" -nt "$classes" ] && made=$(mktemp "$classes.XXXXXX" 2>/dev/null); then
    say "making ready for quick starts …"
    "${run[@]}" "-XX:AOTCacheOutput=$made" -jar "$jar" plan "$here/web/src/main/resources/demo/two-arms-open.event.json" --seconds 1 >/dev/null 2>&1 </dev/null || true
    rm -f "$made.config"
    mv "$made" "$classes"
  fi
  run+=("-XX:AOTCache=$classes")
}

build() {
  need_package maven mvn "it builds Lochan"
  need_package npm npm "it builds the styles and fonts that Lochan ships"
  need_package mariadb-server mariadbd "the build makes the database classes from it, and Lochan keeps its records in a private server of it"
  packed "$1"
}

# packed JAR [MAVEN OPTIONS]: builds it.
packed() {
  local jar=$1 log=$here/build.log
  shift
  say "building, which takes about a minute (longer the first time) …"
  if ! mvn -B -q -f "$here/pom.xml" "$@" -DskipTests package >"$log" 2>&1 </dev/null; then
    grep -m3 ERROR "$log" >&2 || tail -3 "$log" >&2
    stop 1 "the build failed: $log says why."
  fi
  rm -f "$log"
  touch "$jar"
}

# Lays the program out as plain jars and lets a start on throw-away data tell the JVM its classes beforehand, which halves every later
# start. Without it all runs as well, only slower: what fails here is no failure.
lay_out() {
  local jar=$1 app=$2 home
  say "making ready for quick starts …"
  rm -rf "$app"
  "$java" -Djarmode=tools -jar "$jar" extract --destination "$app" >/dev/null 2>&1 || { rm -rf "$app"; return 0; }
  touch "$app/lochan.jar"
  home=$(mktemp -d)
  env -u LOCHAN_DB_URL LOCHAN_HOME="$home" LOCHAN_PORT=0 LOCHAN_BIND=127.0.0.1 "$java" "${jvm[@]}" "${small[@]}" "-XX:AOTCacheOutput=$app/lochan.aot" \
    -Dspring.context.exit=onRefresh -jar "$app/lochan.jar" serve >/dev/null 2>&1 </dev/null || true
  # That start ends at once and leaves its database behind.
  stop_database "$home"
  rm -rf "$home" "$app/lochan.aot.config"
}
