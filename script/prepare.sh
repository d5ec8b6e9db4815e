# What bin/start and bin/test need before Ruby can run: Debian packages, gems,
# npm packages. Sourced, not run. Each step is skipped when nothing changed, and
# says what to do when it fails.

ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
STAMPS="$ROOT/var/stamps"

say() { printf '  %s\n' "$*"; }

stop_with() { # what happened, what mends it
  printf '\nFenbo could not start: %s\n' "$1" >&2
  printf 'This mends it:\n  %s\n' "$2" >&2
  exit 1
}

# Held from here until the process ends, so that two starts cannot trip over
# each other. Its file descriptor is closed for every child (see script/start.rb).
hold_lock() { # lock name, seconds to wait for it
  mkdir -p "$ROOT/var" "$STAMPS"
  exec 9>>"$ROOT/var/$1.lock"
  flock -w "${2:-0}" 9
}

package_missing() { ! dpkg-query -W -f='${Status}' "$1" 2>/dev/null | grep -q 'install ok installed'; }

# Programs count however they came; packages are only asked for when missing.
wanted_packages() { # start or test
  command -v ruby >/dev/null || echo ruby
  command -v bundle >/dev/null || echo bundler
  # Headers and a compiler are only wanted where gems are still to be built.
  local headers; headers="$(ruby -rrbconfig -e 'print RbConfig::CONFIG["rubyhdrdir"]' 2>/dev/null)"
  [ "$(cat "$STAMPS/gems-$1" 2>/dev/null)" = "$(gems_mark)" ] || [ -e "$headers/ruby.h" ] || echo ruby-dev
  { command -v gcc && command -v make; } >/dev/null || echo build-essential
  ls /usr/lib/postgresql/*/bin/initdb >/dev/null 2>&1 || echo postgresql
  command -v node >/dev/null || echo nodejs
  command -v npm >/dev/null || echo npm
  package_missing fonts-dejavu-core && echo fonts-dejavu-core
  package_missing libvips42 && echo libvips42
  package_missing libffi-dev && echo libffi-dev
  [ "$1" != cluster ] || [ -x /usr/sbin/nginx ] || echo nginx-light
  [ "$1" = test ] || return 0
  command -v chromium >/dev/null || echo chromium
  package_missing libxml2-dev && echo libxml2-dev
  package_missing libxslt1-dev && echo libxslt1-dev
  return 0
}

prepare_packages() { # start or test
  local missing; missing="$(wanted_packages "$1" | tr '\n' ' ')"
  [ -z "$missing" ] && return 0
  local line="apt-get update && apt-get install -y --no-install-recommends $missing"
  say "installing Debian packages: $missing"
  export DEBIAN_FRONTEND=noninteractive
  local as_root=()
  if [ "$(id -u)" != 0 ]; then
    command -v sudo >/dev/null || stop_with "these Debian packages are missing: $missing" "as root: $line"
    sudo -n true 2>/dev/null || { [ -t 0 ] && sudo true; } ||
      stop_with "these Debian packages are missing: $missing" "as root: $line"
    as_root=(sudo env DEBIAN_FRONTEND=noninteractive)
  fi
  {
    "${as_root[@]}" apt-get update -qq &&
      "${as_root[@]}" apt-get install -y -qq --no-install-recommends $missing
  } >"$ROOT/var/packages.log" 2>&1 9>&- ||
    stop_with "Debian packages could not be installed (var/packages.log)" "as root: $line"
}

# The browser's specs are quicker with it, and run in the whole Chromium where it is not to be had.
prepare_windowless() {
  command -v chromium-headless-shell >/dev/null && return 0
  local as_root=()
  [ "$(id -u)" = 0 ] || { sudo -n true 2>/dev/null || return 0; as_root=(sudo -n); }
  say "installing chromium-headless-shell"
  export DEBIAN_FRONTEND=noninteractive
  {
    "${as_root[@]}" apt-get update -qq
    "${as_root[@]}" apt-get install -y -qq --no-install-recommends chromium-headless-shell
  } >"$ROOT/var/packages.log" 2>&1 9>&- || say "it is not to be had: the whole Chromium does its work"
}

gems_mark() {
  local wanted; wanted="$(cat "$ROOT/Gemfile" "$ROOT/config/gems.lock" | sha256sum | cut -c1-16)"
  echo "$wanted-$(readlink -f "$(command -v ruby)")"
}

# The lock file is kept without its registry; the machine's own is put in.
prepare_gems() { # start or test
  cd "$ROOT"
  export BUNDLE_PATH="$ROOT/vendor/bundle" BUNDLE_GEMFILE="$ROOT/Gemfile" BUNDLE_FROZEN=true
  export BUNDLE_BUILD__NOKOGIRI="--use-system-libraries" BUNDLE_SILENCE_ROOT_WARNING=true
  [ "$1" = test ] || export BUNDLE_WITHOUT=test
  local mark; mark="$(gems_mark)"
  if [ "$(cat "$STAMPS/gems-$1" 2>/dev/null)" != "$mark" ] || [ ! -d vendor/bundle ] || [ ! -s Gemfile.lock ]; then
    local registry
    registry="$(ruby -e 'print Gem.sources.to_a.first.then { |one| one.respond_to?(:uri) ? one.uri.to_s : one.to_s }')"
    sed "s#{{registry}}#$registry#" config/gems.lock >Gemfile.lock
    say "installing gems (a minute or two the first time)"
    bundle install --jobs 2 --retry 2 >var/gems.log 2>&1 9>&- || {
      tail -5 var/gems.log >&2
      stop_with "gems could not be installed (var/gems.log)" "bundle install"
    }
    echo "$mark" >"$STAMPS/gems-$1"
  fi
}

prepare_node() {
  cd "$ROOT"
  local mark; mark="$(cat package.json package-lock.json | sha256sum | cut -c1-16)"
  if [ "$(cat "$STAMPS/node" 2>/dev/null)" != "$mark" ] || [ ! -d node_modules ]; then
    say "installing npm packages"
    npm install --no-save --no-audit --no-fund >var/npm.log 2>&1 9>&- || {
      tail -5 var/npm.log >&2
      stop_with "npm packages could not be installed (var/npm.log)" "npm install"
    }
    echo "$mark" >"$STAMPS/node"
  fi
}

# Ruby's own compiler, where this Ruby has it: pages come a third sooner.
run_ruby() { # script and its arguments
  # Its room for machine code is taken at once, whether it is filled or not; Fenbo fills 13 MB.
  local jit="--yjit --yjit-exec-mem-size=20 --yjit-call-threshold=30"
  # shellcheck disable=SC2086
  ruby --disable-gems $jit -e 1 2>/dev/null && export RUBYOPT="$jit"
  exec ruby "$@"
}

prepare_assets() {
  cd "$ROOT"
  local mark; mark="$(find app package-lock.json -type f -print0 | sort -z | xargs -0 cat | sha256sum | cut -c1-16)"
  if [ "$(cat "$STAMPS/assets" 2>/dev/null)" != "$mark" ] || [ ! -f public/assets/fenbo.css ]; then
    say "building styles and scripts"
    {
      npm run --silent styles && npm run --silent scripts && npm run --silent pocket && npm run --silent fonts
    } >var/assets.log 2>&1 9>&- || {
      tail -5 var/assets.log >&2
      stop_with "styles and scripts could not be built (var/assets.log)" "rm -rf node_modules && bin/start"
    }
    echo "$mark" >"$STAMPS/assets"
  fi
}
