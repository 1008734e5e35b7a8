#!/usr/bin/env bash
# Diastoma on five machines: a proxy, two that serve, a database and its replica; each a network namespace of this one, so that
# they reach each other by addresses alone. Called by "bin/test machines", as root; part of no ordinary run.
# A serving machine is cut down while people record, then the database is lost and the replica takes its place.
. "$(dirname "${BASH_SOURCE[0]}")/../../bin/lib/common.sh"
[ "$(id -u)" -eq 0 ] || die "Machines of their own are made by root alone."
need_packages $PACKAGES iproute2
need_composer
need_pages

T=$(mktemp -d /tmp/machines-XXXXXX)
chmod 755 "$T"
NET=10.77.0
declare -A AT=([proxy]=10 [one]=11 [two]=12 [db]=21 [replica]=22)
on() { local name=$1; shift; ip netns exec "d-$name" "$@"; }
say() { printf '%s %s\n' "$(date '+%T')" "$*" >&2; }

clean() {
  local name
  for name in "${!AT[@]}"; do
    ip netns pids "d-$name" 2>/dev/null | xargs -r kill -KILL 2>/dev/null || true
    ip netns del "d-$name" 2>/dev/null || true
    ip link del "d-$name-o" 2>/dev/null || true
  done
  ip link del d-wire 2>/dev/null || true
  sleep 0.5
  [ -n "${KEEP:-}" ] || rm -rf "$T"
}
trap clean EXIT

ip link add d-wire type bridge
ip link set d-wire up
for name in "${!AT[@]}"; do
  ip netns add "d-$name"
  ip link add "d-$name-o" type veth peer name eth0 netns "d-$name"
  ip link set "d-$name-o" master d-wire up
  on "$name" ip link set lo up
  on "$name" ip addr add "$NET.${AT[$name]}/24" dev eth0
  on "$name" ip link set eth0 up
done

id "$ACCOUNT" >/dev/null 2>&1 || useradd --system --user-group --no-create-home --shell /usr/sbin/nologin "$ACCOUNT"
as() { setpriv --reuid="$ACCOUNT" --regid="$ACCOUNT" --init-groups "$@"; }
admin() { as mariadb --no-defaults -N -u"$ACCOUNT" --socket="$T/$1/socket" "${@:2}"; }

# database NAME NUMBER
database() {
  local name=$1 folder="$T/$1"
  mkdir "$folder"
  chown "$ACCOUNT:" "$folder"
  as mariadb-install-db --no-defaults --datadir="$folder/data" --auth-root-authentication-method=socket --auth-root-socket-user="$ACCOUNT" --skip-test-db >/dev/null 2>&1
  on "$name" setpriv --reuid="$ACCOUNT" --regid="$ACCOUNT" --init-groups mariadbd --no-defaults --datadir="$folder/data" --socket="$folder/socket" \
    --bind-address="$NET.${AT[$name]}" --port=3306 --server-id="$2" --log-bin="$folder/data/log" --gtid-strict-mode=1 --binlog-format=ROW \
    --innodb-flush-log-at-trx-commit=1 --sync-binlog=1 --max-allowed-packet=64M --skip-name-resolve >"$folder/log" 2>&1 &
  until as mariadb-admin --no-defaults -u"$ACCOUNT" --socket="$folder/socket" ping >/dev/null 2>&1; do sleep 0.1; done
}
password=$(head -c 18 /dev/urandom | base64 | tr -d '/+=')
database db 1
database replica 2
as mariadb --no-defaults -u"$ACCOUNT" --socket="$T/db/socket" -e "
  CREATE USER 'copy'@'$NET.%' IDENTIFIED BY '$password'; GRANT REPLICATION SLAVE ON *.* TO 'copy'@'$NET.%';
  CREATE DATABASE diastoma CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
  CREATE USER 'diastoma'@'$NET.%' IDENTIFIED BY '$password'; GRANT ALL ON diastoma.* TO 'diastoma'@'$NET.%';"
as mariadb --no-defaults -u"$ACCOUNT" --socket="$T/replica/socket" -e "
  CHANGE MASTER TO MASTER_HOST='$NET.${AT[db]}', MASTER_USER='copy', MASTER_PASSWORD='$password', MASTER_USE_GTID=slave_pos; START SLAVE; SET GLOBAL read_only=1;"

# Keys and photos are those of all machines; here the share is a folder.
mkdir -p "$T/share"
chown "$ACCOUNT:" "$T/share"
printf 'APP_KEY=base64:%s\nDB_PASSWORD=%s\nSEAL_KEY=%s\n' "$(head -c 32 /dev/urandom | base64)" "$password" "$(head -c 32 /dev/urandom | base64)" > "$T/secrets"

# serve NAME DATABASE: until it is ready
serve() {
  local name=$1 home="$T/$1"
  mkdir -p "$home/storage/app"
  : > "$home.out"
  ln -sfn "$T/share" "$home/storage/app/private"
  install -m 600 "$T/secrets" "$home/secrets"
  on "$name" env DB_HOST="$NET.${AT[$2]}" DB_PORT=3306 LISTEN="$NET.${AT[$name]}" PORT=8080 WORKERS=2 DIASTOMA_HOME="$home" \
    PUBLIC_URL="http://$NET.${AT[proxy]}" PROXIES="$NET.${AT[proxy]}" "$ROOT/bin/start" >"$home.out" 2>&1 &
  until grep -q 'Ctrl-C stops' "$home.out"; do
    kill -0 $! 2>/dev/null || { cat "$home.out" >&2; die "$name did not start."; }
    sleep 0.5
  done
}
cut_down() { ip netns pids "d-$1" | xargs -r kill -KILL 2>/dev/null || true; }

say "The first serving machine loads the demo into the database of another one."
serve one db
serve two db
mkdir "$T/proxy"
cat > "$T/proxy/nginx.conf" <<CONF
daemon off; pid $T/proxy/pid; error_log $T/proxy/log; user root;
events { worker_connections 256; }
http {
  access_log off; client_max_body_size 24m;
  upstream serving { server $NET.${AT[one]}:8080 max_fails=1 fail_timeout=2s; server $NET.${AT[two]}:8080 max_fails=1 fail_timeout=2s; }
  server {
    listen $NET.${AT[proxy]}:80;
    location / {
      proxy_pass http://serving; proxy_connect_timeout 1s; proxy_next_upstream error timeout http_502 http_504 non_idempotent;
      proxy_set_header Host \$host; proxy_set_header X-Forwarded-For \$remote_addr; proxy_set_header X-Forwarded-Proto http;
    }
  }
}
CONF
on proxy nginx -c "$T/proxy/nginx.conf" -e "$T/proxy/log" &
until on proxy curl -fsS -o /dev/null "http://$NET.${AT[proxy]}/"; do sleep 0.2; done

record() { on proxy node "$ROOT/tests/machines/record.mjs" "http://$NET.${AT[proxy]}" "$@"; }

say "Three people record by turns on both; one of the two is cut down and comes back."
record begin "$T/noted.json" 150 &
recording=$!
sleep 6
cut_down one
sleep 6
serve one db
wait "$recording" || die "Recording did not go through."
record held "$T/noted.json" || die "Something was lost or doubled."

say "The database is lost; the replica has all of it, and takes its place."
written=$(admin db -e 'SELECT @@gtid_binlog_pos')
[ "$(admin replica -e "SELECT MASTER_GTID_WAIT('$written', 30)")" = 0 ] || die "The replica does not follow."
[ "$(admin db -e 'CHECKSUM TABLE diastoma.facts, diastoma.seals')" = "$(admin replica -e 'CHECKSUM TABLE diastoma.facts, diastoma.seals')" ] \
  || die "The replica holds something else."
cut_down db
admin replica -e "STOP SLAVE; SET GLOBAL read_only=0;"
cut_down one; cut_down two
serve one replica
serve two replica
until on proxy curl -fsS -o /dev/null "http://$NET.${AT[proxy]}/"; do sleep 0.2; done
record held "$T/noted.json" || die "Something was lost or doubled."
record begin "$T/more.json" 30 || die "Nobody can record on the replica."
record held "$T/more.json" || die "Something was lost or doubled."
(set -a; . "$T/secrets"; set +a; on one env DB_HOST="$NET.${AT[replica]}" DB_PORT=3306 DB_DATABASE=diastoma DB_USERNAME=diastoma \
  DB_PASSWORD="$password" APP_KEY="$APP_KEY" SEAL_KEY="$SEAL_KEY" DIASTOMA_HOME="$T/one" setpriv --reuid="$ACCOUNT" --regid="$ACCOUNT" --init-groups \
  php "$ROOT/artisan" seals:check) >/dev/null || die "A seal does not hold."
say "Every reading is there once, every seal holds."
