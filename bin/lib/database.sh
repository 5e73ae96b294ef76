# A private MariaDB: on loopback, with accounts that are said anew at every start. Sourced.

# Who may do what. The application reads and writes rows and no more; the owner comes in over the socket alone, as the user of the same name on
# this machine; every other account that was there goes.
accounts() {
    local databases=$1 password=$2 rights=$3
    cat <<SQL
CREATE USER IF NOT EXISTS \`kelp\`@\`127.0.0.1\`;
ALTER USER \`kelp\`@\`127.0.0.1\` IDENTIFIED BY '$password';
REVOKE ALL PRIVILEGES, GRANT OPTION FROM \`kelp\`@\`127.0.0.1\`;
GRANT $rights ON $databases TO \`kelp\`@\`127.0.0.1\`;
CREATE USER IF NOT EXISTS \`$owner\`@\`localhost\` IDENTIFIED VIA unix_socket;
ALTER USER \`$owner\`@\`localhost\` IDENTIFIED VIA unix_socket;
GRANT ALL ON *.* TO \`$owner\`@\`localhost\` WITH GRANT OPTION;
SET @others = (SELECT GROUP_CONCAT(QUOTE(User), '@', QUOTE(Host)) FROM mysql.global_priv WHERE (User, Host) NOT IN (('kelp', '127.0.0.1'), ('$owner', 'localhost'), ('mariadb.sys', 'localhost')));
EXECUTE IMMEDIATE COALESCE(CONCAT('DROP USER ', @others), 'DO 0');
CREATE DATABASE IF NOT EXISTS kelp CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
SQL
}

# What a folder of a database lacks; nothing where it is whole.
lacking() {
    local thing
    for thing in mysql ibdata1 aria_log_control; do [ -e "$1/$thing" ] || { echo "$thing"; return; }; done
}

# Where the server keeps its passing tables: a folder of its own. One that starts clears away what others have in the same folder.
passing_tables() {
    private_folder "$running/tables"
    tables=$(plain "$running/tables")
}

# Makes a database where there is none: aside, so that what is there under its name is always whole.
make_database() {
    local folder=$1 missing
    if [ -e "$folder" ]; then
        missing=$(lacking "$folder")
        [ -z "$missing" ] || fail "the database in $folder is only half there: $missing is missing. It is left as it is. Put your gardens back with bin/restore and a file from $backups, or move the folder away to start with nothing."
        return
    fi
    rm -rf "$folder.new"
    passing_tables
    step "making a database in $folder" "${as[@]}" mariadb-install-db --no-defaults --datadir="$(plain "$(dirname "$folder")")/$(basename "$folder").new" --auth-root-authentication-method=socket \
        --auth-root-socket-user="$owner" --skip-test-db --skip-name-resolve --tmpdir="$tables"
    sync -f "$folder.new"
    mv "$folder.new" "$folder"
}

# database FOLDER [server options]: starts it, sets DB_HOST, DB_PORT, DB_USERNAME and DB_PASSWORD for the application; its pid is in db_pid.
# For tests (test_rights set) the application may do what it likes in databases of theirs.
database() {
    local folder=$1; shift
    local socket="$sockets/mariadb.sock" log="$logs/mariadb.log" rights='SELECT, INSERT, UPDATE, DELETE' on='kelp.*' try waited
    [ -z "${test_rights:-}" ] || { rights='ALL PRIVILEGES'; on='`kelp\_%`.*'; }
    make_database "$folder"
    private_folder "$running/files"
    passing_tables
    DB_USERNAME=kelp DB_PASSWORD=$(database_password)
    accounts "$on" "$DB_PASSWORD" "$rights" | private_file "$running/accounts.sql"
    for try in 1 2 3 4 5; do
        DB_PORT=${DB_PORT_WANTED:-$(free_port)}
        launch mariadb "$log" "$(command -v mariadbd || echo /usr/sbin/mariadbd)" --no-defaults --datadir="$folder" --socket="$socket" --pid-file="$running/mariadbd.pid" \
            --log-error="$log" --init-file="$running/accounts.sql" --port="$DB_PORT" --bind-address=127.0.0.1 --skip-name-resolve \
            --secure-file-priv="$running/files" --tmpdir="$tables" --local-infile=OFF --symbolic-links=0 --performance-schema=OFF \
            --character-set-server=utf8mb4 --collation-server=utf8mb4_unicode_ci --default-time-zone=+00:00 "$@"
        db_pid=$launched waited=0
        while is_alive "$db_pid" && [ $waited -lt 1800 ]; do
            if "${as[@]}" mariadb-admin --no-defaults --user="$owner" --socket="$socket" ping >/dev/null 2>&1; then
                export DB_HOST=127.0.0.1 DB_PORT DB_USERNAME DB_PASSWORD
                db_socket=$socket
                echo "$socket" | private_file "$running/socket"
                return
            fi
            sleep 0.1; waited=$((waited + 1))
        done
        # Ports are taken by others meanwhile; every other reason stays the same at a second try.
        tail -n 20 "$log" | grep -q 'already in use' && [ -z "${DB_PORT_WANTED:-}" ] || break
    done
    fail "MariaDB did not start: $(grep -i '\[error\]' "$log" | tail -n 1 | cut -c1-200) (all of it: $log)"
}

# As the owner, over the socket: a statement; or, with no argument, what comes on standard input.
sql() { "${as[@]}" mariadb --no-defaults --user="$owner" --socket="$db_socket" ${1:+-e "$1"}; }

stop_database() {
    [ -z "${db_pid:-}" ] || stop_group "$db_pid" 60
    db_pid=
}
