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
        private_file "$file" <"$work/new.zip" && sync -f "$file"
}

# Of the backups that updates made the last ten are kept; what someone asked for is theirs to remove.
keep_last_backups() {
    find "$backups" -name 'before-update-*.zip' | sort | head -n -10 | while IFS= read -r file; do rm -f "$file"; done
}
