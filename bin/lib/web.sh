# nginx in front of PHP's process manager, both private and on loopback. Sourced.

# Says why a port cannot be had, and nothing where it can.
port_refused() {
    local least
    least=$(cat /proc/sys/net/ipv4/ip_unprivileged_port_start 2>/dev/null || echo 1024)
    if [ "$1" -lt "$least" ] && [ "$(id -u)" != 0 ]; then
        echo "ports below $least are kept for root, and $1 is one; choose another with KELP_PORT=8001 bin/start, or start as root"
        return
    fi
    php -r '@stream_socket_server("tcp://127.0.0.1:".$argv[1], $code, $why) || exit($why."; choose another port with KELP_PORT=8001 bin/start");' "$1" |
        sed "s/^Address already in use/port $1 is in use/; s/^Permission denied/port $1 may not be had here/"
}
has_ipv6() { php -r 'exit(@stream_socket_server("tcp://[::1]:0") ? 0 : 1);'; }
free_port() { php -r '$s = stream_socket_server("tcp://127.0.0.1:0"); echo explode(":", stream_socket_get_name($s, false))[1];'; }

# PHP compiles each function once: long searches for a layout take a fifth to a third less time, and every request half a millisecond to one
# more. Its tracing compiler, in PHP 8.2, gave a wrong least distance between holes (tests/Core/RemedyTest.php caught it); the tests run
# under the same compiler as the server.
compiler=(-d opcache.enable_cli=1 -d opcache.jit=function -d opcache.jit_buffer_size=64M)

# Where the servers read the application from: here, or, where their user may not look (a checkout in root's home), a copy beside the data.
application_folder() {
    app=$root
    [ ${#as[@]} != 0 ] || return 0
    local served=(app artisan bootstrap config core data database public resources/views routes vendor)
    [ -z "$("${as[@]}" find "${served[@]/#/$root/}" ! -readable -print -quit 2>&1)" ] && return 0
    app="$data/app"
    step "$owner may not read $root: copying the application to $app" copy_application
}
copy_application() {
    rm -rf "$app.new" && mkdir -p "$app.new/resources" &&
        cp -a app artisan bootstrap composer.json config core data database public routes vendor "$app.new/" && cp -a resources/views "$app.new/resources/" &&
        chmod -R u=rwX,go=rX "$app.new" && rm -rf "$app" && mv "$app.new" "$app"
}

# What tells the application where its files are, as NAME=VALUE.
application_settings() {
    local name
    local kept
    kept=$(plain "$storage")
    echo "LARAVEL_STORAGE_PATH=$kept"
    echo "KELP_PHOTOS=$(plain "$photos")"
    for name in config routes packages services events; do echo "APP_${name^^}_CACHE=$kept/framework/$name.php"; done
}

# A command of the application, as the owner and with the database that runs.
artisan() {
    local settings
    mapfile -t settings < <(application_settings)
    (cd "$app" && APP_KEY=$(application_key) && export APP_KEY && "${as[@]}" env APP_ENV=production "${settings[@]}" php artisan "$@")
}
# The same as the owner of the database, who may change its tables.
artisan_as_owner() { DB_USERNAME=$owner DB_PASSWORD='' DB_SOCKET=$db_socket artisan "$@"; }

# in_a_link ADDRESS: an IPv6 address stands in brackets.
in_a_link() { case $1 in *:*) echo "[$1]" ;; *) echo "$1" ;; esac; }

# Where the house network finds this machine: sets house to the addresses that KELP_LISTEN says. Empty without it: loopback alone.
house=
house_network() {
    local address mine
    [ -n "${KELP_LISTEN:-}" ] || return 0
    mine=$(hostname -I 2>/dev/null || true)
    if [ "$KELP_LISTEN" = lan ]; then
        # The addresses of house networks; none that the world can reach.
        for address in $mine; do
            case $address in 10.* | 192.168.* | 172.1[6-9].* | 172.2[0-9].* | 172.3[01].* | 169.254.* | f[cd]*:*) house+="$address " ;; esac
        done
        [ -n "$house" ] || fail "this machine has no address on a house network (it has: ${mine:-none}); name one of its own with KELP_LISTEN=address."
    else
        for address in ${KELP_LISTEN//,/ }; do
            case $address in *[!0-9a-fA-F.:]*) fail "KELP_LISTEN is \"$KELP_LISTEN\"; it is \"lan\", or addresses of this machine with commas between." ;; esac
            case " $mine " in *" $address "*) ;; *) fail "KELP_LISTEN names $address, which this machine does not have; it has ${mine:-none}" ;; esac
            house+="$address "
        done
    fi
    house=${house% }
    KELP_ASKS_WHO=1 KELP_ADDRESSES=
    for address in $house; do KELP_ADDRESSES+="http://$(in_a_link "$address"):$1 "; KELP_HOSTS="${KELP_HOSTS:+$KELP_HOSTS,}$(in_a_link "$address")"; done
    mine=$(hostname 2>/dev/null | tr '[:upper:]' '[:lower:]')
    [ -z "$mine" ] || KELP_HOSTS="$KELP_HOSTS,$mine,$mine.local"
    export KELP_ASKS_WHO KELP_HOSTS KELP_ADDRESSES="${KELP_ADDRESSES% }"
}
# Says how the house network comes in, and to whom there is nobody yet how the first one does.
tell_house() {
    printf 'On the house network:'; printf ' %s' $KELP_ADDRESSES; printf '. Everybody is asked who they are.\n'
    printf 'What goes through that network is not encrypted: let nobody on it whom you do not trust.\n'
    artisan kelp:people first
}

# cache_settings PORT: settings are kept in one file, which only the owner may read: it holds the database's password. They say where the
# stand-ins answer: at the port that is served.
cache_settings() {
    forget_settings "$1"
    (umask 077 && artisan config:cache && artisan route:cache && artisan view:cache && preload)
}
# The same, and before it what a start does with the gardens.
get_ready() {
    forget_settings "$1"
    (umask 077 && artisan kelp:ready && preload)
}
forget_settings() {
    export APP_URL="http://127.0.0.1:$1"
    rm -f "$storage"/framework/{config,routes,preload}.php
}
# Classes that every request needs are listed, for the server to have them before the first; with KELP_PRELOAD=0 it starts two seconds sooner,
# and is slower afterwards.
preload() { [ "${KELP_PRELOAD:-1}" = 0 ] || artisan kelp:preload "$storage/framework/preload.php"; }

php_settings() {
    printf -- '-d\n%s\n' opcache.jit=function opcache.jit_buffer_size=64M opcache.memory_consumption=128 opcache.max_accelerated_files=20000 \
        opcache.validate_timestamps=1 opcache.revalidate_freq=2 memory_limit=256M post_max_size=17M display_errors=0 log_errors=1 expose_php=0 \
        zend.exception_ignore_args=1 pcov.enabled=0 mysqlnd.net_read_timeout=2 apc.shm_size=64M max_execution_time=60 max_input_vars=1000 realpath_cache_size=4M
}

# web PORT: serves the application; pids are in php_pid and web_pid.
web() {
    local port=$1 waited=0
    web_port=$port
    start_php
    write_handing_over php | private_file "$running/php.conf"
    write_handing_over weather | private_file "$running/stand-in.conf"
    write_nginx_settings "$port" "$app" "$running" "$logs" | private_file "$running/nginx.conf"
    start_nginx
    until curl -s -o /dev/null --max-time 5 --noproxy '*' "http://127.0.0.1:$port/favicon.svg"; do
        is_alive "$web_pid" || fail "the web server did not start: $(last_line "$logs/nginx.log")"
        [ $waited -lt 1200 ] || fail "the web server does not answer on port $port"
        sleep 0.05; waited=$((waited + 1))
    done
}

start_php() {
    local waited=0 settings
    mapfile -t settings < <(php_settings)
    [ ! -f "$storage/framework/preload.php" ] || settings+=(-d "opcache.preload=$(plain "$storage")/framework/preload.php")
    write_php_settings | private_file "$running/php-fpm.conf"
    rm -f "$sockets/php.sock"
    launch php-fpm "$logs/php.log" "/usr/sbin/$(php_fpm)" --nodaemonize --fpm-config "$(plain "$running")/php-fpm.conf" "${settings[@]}"
    php_pid=$launched
    until [ -S "$sockets/php.sock" ]; do
        is_alive "$php_pid" || fail "PHP did not start: $(last_line "$logs/php.log")"
        [ $waited -lt 600 ] || fail "PHP does not listen on $sockets/php.sock"
        sleep 0.05; waited=$((waited + 1))
    done
}

start_nginx() {
    [ "$(id -u)" != 0 ] || [ "$web_port" -ge 1024 ] || bind=(--inh-caps=+net_bind_service --ambient-caps=+net_bind_service)
    launch nginx "$logs/nginx.log" "$(command -v nginx || echo /usr/sbin/nginx)" -e "$(plain "$logs")/nginx.log" -c "$(plain "$running")/nginx.conf"
    bind=()
    web_pid=$launched
}

write_php_settings() {
    cat <<CONF
[global]
error_log = $(plain "$logs")/php.log
daemonize = no
process_control_timeout = 10s
emergency_restart_threshold = 10
emergency_restart_interval = 1m

[kelp]
listen = $sockets/php.sock
listen.mode = 0600
listen.backlog = 511
; Workers are replaced when they die, after so many requests, and when one request takes this long.
pm = static
pm.max_children = ${KELP_WORKERS:-4}
pm.max_requests = 2000
request_terminate_timeout = 120s
catch_workers_output = yes
decorate_workers_output = no
clear_env = yes

; The stand-ins for outside services have workers of their own: who asks them does not wait for themselves.
[weather]
listen = $sockets/weather.sock
listen.mode = 0600
pm = ondemand
pm.max_children = 8
pm.process_idle_timeout = 30s
request_terminate_timeout = 20s
clear_env = yes
CONF
}

# How nginx hands a request to the workers $1: always to the same script, which looks at the address itself.
write_handing_over() {
    cat <<CONF
fastcgi_pass unix:$sockets/$1.sock;
include /etc/nginx/fastcgi_params;
fastcgi_param SCRIPT_FILENAME $(plain "$app")/public/index.php;
fastcgi_param SCRIPT_NAME /index.php;
fastcgi_param DOCUMENT_URI /index.php;
fastcgi_param DOCUMENT_ROOT $(plain "$app")/public;
fastcgi_param HTTP_HOST \$http_host;
fastcgi_param HTTP_PROXY "";
fastcgi_param SERVER_SOFTWARE "";
fastcgi_param HTTP_X_REQUEST_ID \$request_id;
$(application_settings | sed 's/^\([A-Z_]*\)=\(.*\)$/fastcgi_param \1 "\2";/')
fastcgi_param APP_ENV production;
fastcgi_buffers 32 16k;
fastcgi_read_timeout 130s;
CONF
}

write_nginx_settings() {
    local port=$1 app running logs files
    app=$(plain "$2") running=$(plain "$3") logs=$(plain "$4")
    # Who opens connections and says nothing shuts nobody out.
    files=$(ulimit -Hn); [ "$files" != unlimited ] && [ "$files" -lt 16384 ] || files=16384
    cat <<CONF
daemon off;
pid $running/nginx.own.pid;
worker_processes 2;
worker_rlimit_nofile $files;
events { worker_connections $((files / 4)); }
http {
    include /etc/nginx/mime.types;
    default_type application/octet-stream;
    charset utf-8;
    server_tokens off;
    sendfile on;
    tcp_nopush on;
    log_format kelp '\$time_iso8601 \$request_id \$status "\$request" \$body_bytes_sent \$request_time';
    access_log $logs/access.log kelp;

    client_body_temp_path $running/body;
    fastcgi_temp_path $running/fastcgi;
    proxy_temp_path $running/proxy;
    scgi_temp_path $running/scgi;
    uwsgi_temp_path $running/uwsgi;

    # Bounds on what anyone may send, and on how long they may take.
    client_max_body_size 8m;
    client_body_buffer_size 4m;
    client_header_timeout 10s;
    client_body_timeout 20s;
    send_timeout 30s;
    keepalive_timeout 30s;
    large_client_header_buffers 4 8k;
    reset_timedout_connection on;

    # Scripts are packed at the build. Answers are not packed: who asks sits at this machine.
    gzip_static on;
    gzip_vary on;

    server {
        listen 127.0.0.1:$port backlog=511;
        $(has_ipv6 && echo "listen [::1]:$port backlog=511;")
        $(for address in $house; do echo "listen $(in_a_link "$address"):$port backlog=511;"; done)
        server_name _;
        root $app/public;
        index index.php;
        error_page 413 /-large;
        error_page 500 502 503 504 /-busy;
        error_page 400 403 404 405 408 414 421 431 494 495 496 497 /-bad;

        location /build/ {
            expires 1y;
            add_header Cache-Control "public, immutable";
            add_header X-Content-Type-Options nosniff;
            add_header Cross-Origin-Resource-Policy same-origin;
            try_files \$uri =404;
        }
        location = /favicon.svg { expires 1d; add_header X-Content-Type-Options nosniff; try_files \$uri =404; }
        location = /theme.js { expires 1h; add_header X-Content-Type-Options nosniff; try_files \$uri =404; }
        # The stand-ins for outside services are asked by this machine alone.
        location = /stand-ins/weather {
            limit_except GET { deny all; }
            allow 127.0.0.1; allow ::1; deny all;
            fastcgi_pass unix:$sockets/weather.sock;
            include /etc/nginx/fastcgi_params;
            fastcgi_param SCRIPT_FILENAME $app/app/StandIns/weather.php;
        }
        location = /stand-ins/meter {
            limit_except GET { deny all; }
            allow 127.0.0.1; allow ::1; deny all;
            include $running/stand-in.conf;
        }
        location = /stand-ins/supplier {
            limit_except GET { deny all; }
            allow 127.0.0.1; allow ::1; deny all;
            fastcgi_pass unix:$sockets/weather.sock;
            include /etc/nginx/fastcgi_params;
            fastcgi_param SCRIPT_FILENAME $app/app/StandIns/supplier.php;
        }
        location ~ ^/api/gardens/[^/]+/photos$ { client_max_body_size 13m; error_page 413 /-large-photo; error_page 500 502 503 504 /-busy; include $running/php.conf; }
        location = /api/everything { client_max_body_size 17m; include $running/php.conf; }
        location / { include $running/php.conf; }
        # What the application could not say itself.
        location = /-large { internal; default_type application/json; return 413 '{"message":"That is too large: a garden file has at most 2 MB. Nothing was saved."}'; }
        location = /-large-photo { internal; default_type application/json; return 413 '{"message":"That is too large: a photograph has at most 12 MB. It was not kept."}'; }
        location = /-busy { internal; default_type application/json; return 503 '{"message":"Kelp Tub is starting or very busy. Your edits are kept on this page and saved when it is back."}'; }
        location = /-bad { internal; default_type application/json; return 400 '{"message":"That is not a request that can be answered."}'; }
    }
}
CONF
}

stop_web() {
    [ -z "${web_pid:-}" ] || stop_group "$web_pid" 10
    [ -z "${php_pid:-}" ] || stop_group "$php_pid" 15
    web_pid= php_pid=
}
