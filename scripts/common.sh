# Shared by the scripts here: talking to the user, finding a JDK, installing packages, free ports.

say() { printf '%s\n' "$*"; }
fail() {
  printf 'mapsel: %s\n' "$*" >&2
  exit 1
}

# The home of a JDK of at least version 21: JAVA_HOME, then the java on the path, then the usual places.
find_jdk() {
  local home
  for home in "${JAVA_HOME:-}" "$(java_on_path)" /usr/lib/jvm/* /opt/java/* /opt/jdk* "$HOME"/.sdkman/candidates/java/*; do
    [ -n "$home" ] && [ -x "$home/bin/javac" ] && [ "$(java_version "$home")" -ge 21 ] && {
      say "$home"
      return 0
    }
  done
  return 1
}

java_on_path() {
  local java
  java=$(command -v java) || return 0
  dirname "$(dirname "$(readlink -f "$java")")"
}

java_version() {
  local version
  version=$(sed -n 's/^JAVA_VERSION="\([0-9]*\).*/\1/p' "$1/release" 2>/dev/null)
  say "${version:-0}"
}

need_jdk() {
  JDK=$(find_jdk) || fail "Mapsel needs a JDK of version 21 or later. Install one (for instance: apt-get install openjdk-21-jdk, or Temurin 25) or set JAVA_HOME to it."
}

# Installs Debian packages when that is allowed, else says the line to run.
install_packages() {
  local line="apt-get install -y $*"
  if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
    say "Installing $* ..."
    apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq -o Dpkg::Options::=--force-confold "$@" >/dev/null || fail "This did not work: $line"
  elif command -v sudo >/dev/null && sudo -n true 2>/dev/null; then
    say "Installing $* ..."
    sudo -n apt-get update -qq && sudo -n DEBIAN_FRONTEND=noninteractive apt-get install -y -qq -o Dpkg::Options::=--force-confold "$@" >/dev/null || fail "This did not work: sudo $line"
  else
    fail "$* is missing. Run this and start again: sudo $line"
  fi
}

# Whether somebody listens on a loopback port.
is_busy() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# The first free port from one on.
free_port() {
  local port=$1
  while is_busy "$port"; do port=$((port + 1)); done
  say "$port"
}
