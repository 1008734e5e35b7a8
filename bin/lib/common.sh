# Shared by bin/start and bin/test: what the machine needs, the private database, the built pages.
set -euo pipefail

ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
PACKAGES="mariadb-server php8.2-cli php8.2-fpm php8.2-mysql php8.2-mbstring php8.2-xml php8.2-intl php8.2-curl php8.2-zip php8.2-gd php8.2-bcmath php8.2-opcache php-league-config nginx-light procps poppler-utils"

say() { printf '%s\n' "$*" >&2; }
die() { say "$*"; exit 1; }

# Who serves: whoever starts. Where that is root, an account of its own, which owns what lies in the data folder and
# nothing else: PHP, the database and the web server never run as root.
ACCOUNT=diastoma
[ "$(id -u)" -eq 0 ] || ACCOUNT=$(id -un)

# as_server FOLDER COMMAND…: in the place of this shell (use it in a subshell or in the background), as who serves; FOLDER holds the data.
as_server() {
  local folder=$1; shift
  [ "$(id -u)" -ne 0 ] && exec "$@"
  exec "$ROOT/bin/lib/as-account" "$ACCOUNT" "$ROOT" "$folder" -- "$@"
}

# own_folder FOLDER: the data folder, closed to everybody but who serves.
own_folder() {
  local folder=$1 entry
  mkdir -p "$folder/run" "$folder/storage"
  [ "$(id -u)" -eq 0 ] && ! id "$ACCOUNT" >/dev/null 2>&1 && useradd --system --user-group --no-create-home --home-dir /nonexistent --shell /usr/sbin/nologin "$ACCOUNT"
  # Nothing that is not ours changes hands.
  for entry in "$folder"/*; do
    case "${entry##*/}" in (database|run|storage|secrets|secrets.new|lock|*.log|*.log.1|*.json) ;; (*) die "$folder holds $entry, which is not Diastoma's. Name a folder of its own: DIASTOMA_HOME=/srv/diastoma" ;; esac
  done
  chmod 700 "$folder"
  [ "$(id -u)" -ne 0 ] || chown "$ACCOUNT:" "$folder"
  for entry in database database.log run storage; do
    [ "$(id -u)" -ne 0 ] || [ ! -e "$folder/$entry" ] || chown -R "$ACCOUNT:" "$folder/$entry"
  done
  # What Laravel finds out about its packages lies with the data, where who serves may write.
  export DIASTOMA_HOME=$folder APP_SERVICES_CACHE="$folder/run/services.php" APP_PACKAGES_CACHE="$folder/run/packages.php"
}

# socket_in FOLDER NAME: in the closed data folder; where its path is longer than the system allows, in a closed folder of its own.
socket_in() {
  local path="$1/run/$2" apart
  if [ ${#path} -gt 100 ]; then
    apart=$(mktemp -d /tmp/diastoma-XXXXXX)
    [ "$(id -u)" -ne 0 ] || chown "$ACCOUNT:" "$apart"
    path="$apart/$2"
  fi
  printf '%s' "$path"
}

# socket_of FOLDER: of the database that serves from it now, wherever its path had to lie.
socket_of() { cat "$1/run/database.socket" 2>/dev/null || printf '%s/run/database.sock' "$1"; }

# An artisan command that is quiet unless it fails.
artisan() {
  local told code=0
  told=$(as_server "$DIASTOMA_HOME" php "$ROOT/artisan" "$@" 2>&1) || code=$?
  [ "$code" -eq 0 ] || die "$told
\"artisan $*\" failed."
}

# Debian packages that are missing are installed as root or through sudo; else the line to run is said.
need_packages() {
  local missing=()
  for package in $*; do
    dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q 'install ok installed' || missing+=("$package")
  done
  [ ${#missing[@]} -eq 0 ] && return 0
  local sudo=""
  if [ "$(id -u)" -ne 0 ]; then
    command -v sudo >/dev/null && sudo -n true 2>/dev/null && sudo="sudo" \
      || die "Debian packages are missing. Run once: sudo apt-get update && sudo apt-get install -y --no-install-recommends ${missing[*]}"
  fi
  say "Installing ${missing[*]}"
  $sudo apt-get update -qq >/dev/null
  # Installed services stay off: Diastoma starts its own, private ones.
  DEBIAN_FRONTEND=noninteractive $sudo apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
}

# Debian's Chromium without a window is quicker; where there is none of it, the whole browser does.
need_browser() {
  (need_packages chromium-headless-shell) || need_packages chromium
}

stamp_of() { cat "$@" 2>/dev/null | sha256sum | cut -d' ' -f1; }

need_composer() {
  local stamp
  stamp=$(stamp_of "$ROOT/composer.json" "$ROOT/etc/php-packages/composer.json")
  if [ ! -f "$ROOT/vendor/autoload.php" ] || [ "$(cat "$ROOT/vendor/.stamp" 2>/dev/null)" != "$stamp" ]; then
    say "Installing PHP packages"
    (cd "$ROOT" && COMPOSER_ALLOW_SUPERUSER=1 composer update --no-interaction --no-progress --quiet)
    printf '%s' "$stamp" > "$ROOT/vendor/.stamp"
  fi
  # Composer may leave files that their owner alone can read; who serves reads them too.
  [ -z "$(find "$ROOT/vendor" ! -perm -o+r -print -quit)" ] || chmod -R go+rX "$ROOT/vendor"
}

need_npm() {
  local stamp
  stamp=$(stamp_of "$ROOT/package.json" "$ROOT/package-lock.json")
  if [ ! -d "$ROOT/node_modules" ] || [ "$(cat "$ROOT/node_modules/.stamp" 2>/dev/null)" != "$stamp" ]; then
    say "Installing JavaScript packages"
    (cd "$ROOT" && npm ci --no-audit --no-fund --silent)
    printf '%s' "$stamp" > "$ROOT/node_modules/.stamp"
  fi
}

need_pages() {
  local stamp
  stamp=$(cd "$ROOT" && find resources/js core/src core/data vite.config.ts vite.texts.ts vite.sw.config.ts package.json tsconfig.json -type f | LC_ALL=C sort | xargs cat | sha256sum | cut -d' ' -f1)
  if [ ! -f "$ROOT/public/build/manifest.json" ] || [ "$(cat "$ROOT/public/build/.stamp" 2>/dev/null)" != "$stamp" ]; then
    need_npm
    say "Building the pages"
    (cd "$ROOT" && npx vite build --logLevel error && npx vite build -c vite.sw.config.ts --logLevel error)
    # Compressed once and as small as it goes, not at each request and in a hurry.
    find "$ROOT/public/build/assets" \( -name '*.js' -o -name '*.css' -o -name '*.wasm' \) -size +1k -exec gzip -9 -k -f {} +
    printf '%s' "$stamp" > "$ROOT/public/build/.stamp"
  fi
}

port_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

free_port() {
  local port=$1
  while ! port_free "$port"; do port=$((port + 1)); done
  printf '%s' "$port"
}

# hold_folder FOLDER: one at a time serves from a folder; a second start says so instead of half taking it over.
hold_folder() {
  mkdir -p "$1"
  exec 9>"$1/lock"
  flock -n 9 || die "Another start or check already runs from $1. Stop it first; or serve from another folder: DIASTOMA_HOME=/srv/diastoma"
}

# start_database FOLDER FIRST_PORT [durable|fast]; sets DB_PID and DB_PORT, the first port from there on that is free
start_database() {
  local folder=$1 mode=${3:-durable} home=${1%/*}
  # What it sorts on the disk lies with its data: in a folder that servers share, each that starts deletes what the others have there.
  local scratch="$home/run/scratch"
  (as_server "$home" mkdir -p "$scratch")
  if [ ! -d "$folder/mysql" ]; then
    (as_server "$home" mkdir -p "$folder")
    (TMPDIR="$scratch" as_server "$home" mariadb-install-db --no-defaults --datadir="$folder" --auth-root-authentication-method=socket --auth-root-socket-user="$(id -un)" --skip-test-db >"$folder.log" 2>&1) \
      || { cat "$folder.log" >&2; die "The database could not be made in $folder."; }
  fi
  local tuning=(--innodb-flush-log-at-trx-commit=1 --sync-binlog=1)
  [ "$mode" = fast ] && tuning=(--innodb-flush-log-at-trx-commit=2 --innodb-doublewrite=0)
  DB_SOCKET_FILE=$(socket_in "$home" database.sock)
  printf '%s' "$DB_SOCKET_FILE" > "$home/run/database.socket"
  export DB_PORT=$2
  local waited=0
  for (( ; ; )); do
    DB_PORT=$(free_port "$DB_PORT")
    [ ! -f "$folder.log" ] || cp -f "$folder.log" "$folder.log.1"
    : > "$folder.log"
    as_server "$home" mariadbd --no-defaults --datadir="$folder" --socket="$DB_SOCKET_FILE" --tmpdir="$scratch" --port="$DB_PORT" --bind-address=127.0.0.1 \
      --innodb-buffer-pool-size=256M --max-allowed-packet=64M --skip-name-resolve "${tuning[@]}" >>"$folder.log" 2>&1 9>&- &
    DB_PID=$!
    while kill -0 "$DB_PID" 2>/dev/null; do
      mariadb-admin --no-defaults --socket="$DB_SOCKET_FILE" ping >/dev/null 2>&1 && { close_database; return 0; }
      [ $((waited += 1)) -le 300 ] || die "The database did not start in 30 s; see $folder.log."
      sleep 0.1
    done
    # Somebody else took the port between looking and taking: the next one.
    grep -q 'Address already in use' "$folder.log" || { tail -n 20 "$folder.log" >&2; die "The database stopped."; }
    DB_PORT=$((DB_PORT + 1))
  done
}

# The database's own administration: by the socket in the data folder, as the system account that runs this, without a password.
database_admin() { mariadb --no-defaults -N -u"$(id -un)" --socket="$DB_SOCKET_FILE" "$@"; }

# Nobody administers the database over the network, or without being who started it; a folder made before that rule is brought under it.
close_database() {
  local me=$(id -un) admin=(database_admin)
  [ "$(database_admin -e 'SELECT 1' 2>/dev/null)" = 1 ] || admin=(mariadb --no-defaults -N -uroot --socket="$DB_SOCKET_FILE")
  "${admin[@]}" -e "
    CREATE USER IF NOT EXISTS '$me'@'localhost' IDENTIFIED VIA unix_socket; GRANT ALL ON *.* TO '$me'@'localhost' WITH GRANT OPTION;
    ALTER USER 'root'@'localhost' IDENTIFIED VIA unix_socket;
    DROP USER IF EXISTS 'root'@'127.0.0.1', 'root'@'::1', 'root'@'$(hostname)', ''@'localhost', ''@'$(hostname)';" \
    || die "The accounts of the database could not be closed; see $DB_SOCKET_FILE."
}

# make_database NAME PASSWORD
make_database() {
  # Over loopback alone, and to its own database alone.
  database_admin -e "
    CREATE DATABASE IF NOT EXISTS \`$1\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
    CREATE USER IF NOT EXISTS 'diastoma'@'127.0.0.1' IDENTIFIED BY '$2';
    ALTER USER 'diastoma'@'127.0.0.1' IDENTIFIED BY '$2';
    GRANT ALL ON \`$1\`.* TO 'diastoma'@'127.0.0.1';"
}

# The name its workers carry, to be known by.
pool_of() { printf 'diastoma-%s' "$(sha256sum <<<"$1" | cut -c1-12)"; }

# Workers whose master was killed go on listening, and would answer in the place of the new ones.
end_orphans() { end_orphans_of_nginx "$1"; end_orphans_of_php "$1"; end_orphans_of_maker "$1"; }

# By the name that the pool has from its folder.
end_orphans_of_php() {
  pkill -KILL -f "^php-fpm: (pool $(pool_of "$1")|master process \($1/run/fpm.conf\))" || return 0
  while pgrep -f "^php-fpm: pool $(pool_of "$1")" >/dev/null; do sleep 0.1; done
}

# Who makes files in the background, and what is being made: by the same name.
end_orphans_of_maker() { pkill -KILL -f "artisan (packs:(serve|make)|seals:examine) .*--as=$(pool_of "$1")\$" || true; }

# By the numbers that were written down when they began; the master first, which would begin new ones.
end_orphans_of_nginx() {
  local master pid
  master=$(cat "$1/run/nginx.pid" 2>/dev/null || true)
  for pid in $master $(cat "$1/run/nginx.workers" 2>/dev/null) $([ -z "$master" ] || pgrep -P "$master" -x nginx); do
    [ "$(cat "/proc/$pid/comm" 2>/dev/null)" != nginx ] || kill -KILL "$pid" 2>/dev/null || true
  done
  rm -f "$1/run/nginx.workers" "$1/run/nginx.pid"
}

# What a start that was killed itself left behind in FOLDER: called by who holds the folder, so that nobody serves from it.
end_left_behind() {
  local folder=$1 waited=0
  end_orphans "$folder"
  # It gets time to write down what it has.
  pkill -TERM -f "^[^ ]*mariadbd .*--datadir=$folder/database( |$)" || return 0
  while pgrep -f "^[^ ]*mariadbd .*--datadir=$folder/database( |$)" >/dev/null; do
    [ $((waited += 1)) -le 300 ] || die "A database that was left behind in $folder does not stop."
    sleep 0.1
  done
}

# write_server_files FOLDER PORT: nginx in front of php-fpm, all private to FOLDER
write_server_files() {
  local folder=$1 port=$2 socket
  socket=$(socket_in "$folder" php.sock)
  mkdir -p "$folder/run/nginx"
  cat > "$folder/run/fpm.conf" <<CONF
[global]
error_log = $folder/run/fpm.log
daemonize = no
[$(pool_of "$folder")]
listen = $socket
listen.mode = 0600
pm = static
pm.max_children = ${WORKERS:-4}
clear_env = no
catch_workers_output = yes
php_admin_value[opcache.validate_timestamps] = ${OPCACHE_CHECK:-1}
php_admin_value[memory_limit] = 512M
php_admin_value[upload_max_filesize] = 20M
php_admin_value[post_max_size] = 24M
CONF
  cat > "$folder/run/nginx.conf" <<CONF
daemon off;
pid $folder/run/nginx.pid;
error_log $folder/run/nginx.log warn;
worker_processes 1;
events { worker_connections 256; }
http {
  include /etc/nginx/mime.types;
  types { application/manifest+json webmanifest; }
  access_log off;
  server_tokens off;
  client_max_body_size 24m;
  client_body_temp_path $folder/run/nginx/body;
  proxy_temp_path $folder/run/nginx/proxy;
  fastcgi_temp_path $folder/run/nginx/fastcgi;
  uwsgi_temp_path $folder/run/nginx/uwsgi;
  scgi_temp_path $folder/run/nginx/scgi;
  gzip_static on; gzip on; gzip_types application/javascript text/css application/json application/problem+json image/svg+xml application/wasm; gzip_min_length 1024;
  server {
    listen ${LISTEN:-127.0.0.1}:$port;
    root $ROOT/public;
    index index.php;
    location /build/ { expires 1y; add_header Cache-Control "public, immutable"; add_header X-Content-Type-Options nosniff; try_files \$uri =404; }
    location = /sw.js { add_header Cache-Control "no-cache"; add_header Service-Worker-Allowed "/"; try_files \$uri =404; }
    location / { try_files \$uri /index.php\$is_args\$args; }
    location /packs-kept/ { internal; alias $(realpath -m "$folder/storage/app/private/packs")/; }
    location = /index.php {
      include /etc/nginx/fastcgi_params;
      fastcgi_param SCRIPT_FILENAME $ROOT/public/index.php;
      fastcgi_pass unix:$socket;
      fastcgi_read_timeout 120s;
      # Large files are sent by the web server itself: no worker is held by who takes one over a slow network.
      fastcgi_param HTTP_X_SENDFILE_TYPE X-Accel-Redirect;
      fastcgi_param HTTP_X_ACCEL_MAPPING $(realpath -m "$folder/storage/app/private/packs")/=/packs-kept/;
    }
  }
}
CONF
}

# start_server FOLDER; sets FPM_PID, NGINX_PID and MAKER_PID
start_server() {
  local folder=$1
  end_orphans "$folder"
  set_logs_aside "$folder"
  touch "$folder/run/fpm.log" "$folder/run/nginx.log" "$folder/run/maker.log"
  own_folder "$folder"
  # Settings and routes are worked out once, not at each request; the folder is private, as they hold its secrets.
  export APP_CONFIG_CACHE="$folder/run/config.php" APP_ROUTES_CACHE="$folder/run/routes.php"
  rm -f "$APP_CONFIG_CACHE" "$APP_ROUTES_CACHE"
  # What an earlier core compiled is of no use to this one.
  rm -rf "$folder/storage/framework/procedures"
  (umask 077; artisan config:cache; artisan route:cache) || return 1
  start_php "$folder"
  start_nginx "$folder"
  start_maker "$folder"
}

# set_logs_aside FOLDER: what the servers wrote begins anew once it has grown to 5 MB; what was there is kept, once. They go on
# writing into the same file, each at its end.
set_logs_aside() {
  local log
  for log in "$1/run/fpm.log" "$1/run/nginx.log" "$1/run/maker.log" "$1/database.log"; do
    [ -f "$log" ] && [ "$(stat -c %s "$log")" -ge 5000000 ] || continue
    cp -f "$log" "$log.1" && : > "$log"
  done
}

# keep_logs_small FOLDER: as long as who started it lives; sets LOGS_PID. It holds nobody's output open while it sleeps.
keep_logs_small() {
  local folder=$1 main=$$
  (while sleep "${LOGS_EVERY:-600}" && kill -0 "$main" 2>/dev/null; do set_logs_aside "$folder"; done) >/dev/null 2>&1 9>&- &
  LOGS_PID=$!
}

# start_php FOLDER; sets FPM_PID
start_php() {
  local folder=$1
  as_server "$folder" "$(command -v php-fpm8.2 || echo /usr/sbin/php-fpm8.2)" -d pcov.enabled=0 -F -y "$folder/run/fpm.conf" >>"$folder/run/fpm.log" 2>&1 9>&- &
  FPM_PID=$!
}

# start_maker FOLDER: makes in the background what people ask for and do not wait for; sets MAKER_PID
start_maker() {
  local folder=$1
  # Who records comes first.
  as_server "$folder" nice -n 10 php -d pcov.enabled=0 "$ROOT/artisan" packs:serve "--as=$(pool_of "$folder")" >>"$folder/run/maker.log" 2>&1 9>&- &
  MAKER_PID=$!
}

# start_nginx FOLDER; sets NGINX_PID
start_nginx() {
  local folder=$1 waited=0
  as_server "$folder" "$(command -v nginx || echo /usr/sbin/nginx)" -c "$folder/run/nginx.conf" -e "$folder/run/nginx.log" >>"$folder/run/nginx.log" 2>&1 9>&- &
  NGINX_PID=$!
  until pgrep -P "$NGINX_PID" -x nginx > "$folder/run/nginx.workers" || [ $((waited += 1)) -gt 50 ] || ! kill -0 "$NGINX_PID" 2>/dev/null; do sleep 0.1; done
}

# keep_running FOLDER: a part that dies is started again; one that dies as soon as it is started, again and again, ends all.
keep_running() {
  local folder=$1 part began soon=0 before
  began=$SECONDS
  while :; do
    part=
    kill -0 "$MAKER_PID" 2>/dev/null || part="maker of files"
    kill -0 "$NGINX_PID" 2>/dev/null || part="web server"
    kill -0 "$FPM_PID" 2>/dev/null || part="PHP server"
    [ -z "${DB_PID:-}" ] || kill -0 "$DB_PID" 2>/dev/null || part=database
    # Several may have died at once: nobody waits before all are there again.
    [ -n "$part" ] || { wait -n ${DB_PID:-} "$FPM_PID" "$NGINX_PID" "$MAKER_PID" || true; continue; }
    [ $((SECONDS - began)) -ge 3 ] && soon=1 || soon=$((soon + 1))
    [ "$soon" -le 5 ] || die "$(date '+%F %T') The $part of Diastoma stops as soon as it is started, five times in a row. See the logs in $folder/run and $folder/database.log."
    say "$(date '+%F %T') The $part stopped; it is started again."
    case "$part" in
      database)
        before=$DB_PORT
        start_database "$folder/database" "$DB_PORT" durable
        # Who serves knows the database by its port.
        if [ "$DB_PORT" != "$before" ]; then
          kill "$NGINX_PID" "$FPM_PID" "$MAKER_PID" 2>/dev/null; wait "$NGINX_PID" "$FPM_PID" "$MAKER_PID" 2>/dev/null || true
          start_server "$folder"
        fi ;;
      "maker of files") end_orphans_of_maker "$folder"; start_maker "$folder" ;;
      "PHP server") end_orphans_of_php "$folder"; start_php "$folder" ;;
      *) end_orphans_of_nginx "$folder"; start_nginx "$folder" ;;
    esac
    began=$SECONDS
  done
}

wait_for_page() {
  local answers
  for _ in $(seq 1 100); do
    curl -fsS -o /dev/null "http://${2:-127.0.0.1}:$1/" 2>/dev/null && answers=yes || answers=no
    kill -0 "$NGINX_PID" 2>/dev/null && kill -0 "$FPM_PID" 2>/dev/null || return 1
    [ $answers = no ] || return 0
    sleep 0.1
  done
  return 1
}

stop_all() {
  for pid in "${LOGS_PID:-}" "${MAKER_PID:-}" "${NGINX_PID:-}" "${FPM_PID:-}" "${DB_PID:-}"; do
    [ -n "$pid" ] && kill "$pid" 2>/dev/null || true
  done
  for pid in "${LOGS_PID:-}" "${MAKER_PID:-}" "${NGINX_PID:-}" "${FPM_PID:-}" "${DB_PID:-}"; do
    [ -n "$pid" ] && wait "$pid" 2>/dev/null || true
  done
}
