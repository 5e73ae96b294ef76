# Everything in one file: gardens and Library as open JSON, and the database as it is. Sourced.

# backup_to FILE: whole or not at all.
backup_to() {
    local file=$1 work
    work=$(mktemp -d "$running/backup-XXXXXXXX")
    [ ${#as[@]} = 0 ] || chown "$owner:" "$work"
    step "keeping everything in $file" write_backup "$file" "$work"
    rm -rf "$work"
}
write_backup() {
    local file=$1 work=$2
    artisan_as_owner kelp:everything "$work/kelp-tub.json" &&
        "${as[@]}" mariadb-dump --no-defaults --user="$owner" --socket="$db_socket" --single-transaction --skip-comments --no-tablespaces --databases kelp >"$work/database.sql" &&
        php "$root/bin/lib/zip.php" pack "$work/new.zip" "$work/kelp-tub.json" "$work/database.sql" &&
        keep_file "$work/new.zip" "$file" && sync -f "$file"
}
# In the folder of backups it is the owner's; elsewhere it is theirs who asked for it.
keep_file() {
    case $2 in
        "$backups"/*) private_file "$2" <"$1" ;;
        *) (umask 077 && cat "$1" >"$2.new") && mv "$2.new" "$2" ;;
    esac
}

# Takes the two files of a backup out of it, into the folder $2; they are the owner's, who may not be able to read the backup itself.
unpack_backup() {
    local name
    for name in kelp-tub.json database.sql; do
        php "$root/bin/lib/zip.php" take "$1" "$name" "$2/taken" && private_file "$2/$name" <"$2/taken" && rm -f "$2/taken" || return 1
    done
}
put_back() { sql <"$1"; }

# The database that runs, or one that is started for as long as this script needs it.
with_database() {
    if is_running; then
        db_socket=$(cat "$running/socket")
        # What serves is left where it is.
        if [ -d "$data/app" ]; then app="$data/app"; else app=$root; fi
        return
    fi
    application_folder
    exec 9>>"$running/start.lock"
    flock -w 3 9 || fail "Kelp Tub is starting; try again in a moment."
    trap 'rm -rf "${work:-}"; stop_database' EXIT
    stop_left_over
    forget_made
    database "$data/mariadb"
}

# Of the backups that updates made the last ten are kept; what someone asked for is theirs to remove.
keep_last_backups() {
    find "$backups" -name 'before-update-*.zip' | sort | head -n -10 | while IFS= read -r file; do rm -f "$file"; done
}
