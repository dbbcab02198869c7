# Sourced by ./mark-turn: a database that stands elsewhere (--database URL --database-credentials FILE), for an office that wants more than
# one copy of the program, or keeps its databases together. Sessions live in it then, so that any copy answers anybody.
database_url=""
database_credentials=""

is_database_url() { [[ "$1" =~ ^(jdbc:)?mariadb:(([a-z]+:)?//)[^[:space:]]+/[A-Za-z0-9_]+(\?[^[:space:]]*)?$ ]]; }

is_elsewhere() { [ -n "$database_url" ]; }

# The value of a line KEY=VALUE of the credentials; empty where there is none.
credential() { sed -n "s/^$1=//p" "$database_credentials" | head -n 1; }

check_elsewhere() {
  is_elsewhere || { [ -z "$database_credentials" ] || fail "--database-credentials goes with --database"; return 0; }
  [ -n "$database_credentials" ] || fail "--database wants --database-credentials FILE with the lines user=... and password=..."
  [ -r "$database_credentials" ] || fail "$database_credentials cannot be read"
  database_credentials=$(cd "$(dirname "$database_credentials")" && pwd)/$(basename "$database_credentials")
  case "$(stat -c %a "$database_credentials")" in *00) ;; *) fail "others can read $database_credentials: chmod 600 it first" ;; esac
  [ -n "$(credential user)" ] && [ -n "$(credential password)" ] || fail "$database_credentials has no line user=... or password=..."
  database_url="jdbc:${database_url#jdbc:}"
}

# What the application is told of it. Migrations run as another account where the credentials name one, and grant the pages' account what
# it may change; one account for both can change everything, entries too.
export_elsewhere() {
  MARKTURN_DATABASE_PASSWORD=$(credential password)
  export MARKTURN_DATABASE_PASSWORD
  export SPRING_DATASOURCE_URL="$database_url"
  SPRING_DATASOURCE_USERNAME=$(credential user)
  export SPRING_DATASOURCE_USERNAME SPRING_DATASOURCE_PASSWORD="$MARKTURN_DATABASE_PASSWORD"
  MARKTURN_MIGRATION_USER=$(credential migration-user)
  MARKTURN_MIGRATION_PASSWORD=$(credential migration-password)
  if [ -n "$MARKTURN_MIGRATION_USER" ]; then
    MARKTURN_MIGRATION_PAGES=$(credential pages)
    [ -n "$MARKTURN_MIGRATION_PAGES" ] || MARKTURN_MIGRATION_PAGES="'$SPRING_DATASOURCE_USERNAME'@'%'"
    export MARKTURN_MIGRATION_PAGES
  else
    MARKTURN_MIGRATION_USER=$SPRING_DATASOURCE_USERNAME MARKTURN_MIGRATION_PASSWORD=$SPRING_DATASOURCE_PASSWORD
    export MARKTURN_MIGRATION_GRANTS=false
  fi
  export MARKTURN_MIGRATION_USER MARKTURN_MIGRATION_PASSWORD
  export SPRING_AUTOCONFIGURE_EXCLUDE=""
}
