#!/bin/sh
# A machine of the database in a container: made at its first start, then a member of the cluster.
set -e
name=$(hostname)
[ -d /var/lib/mysql/mysql ] || mariadb-install-db --no-defaults --datadir=/var/lib/mysql --skip-test-db \
    --auth-root-authentication-method=socket --auth-root-socket-user=mysql > /dev/null
new=
if [ "$FIRST" = 1 ] && [ ! -e /var/lib/mysql/begun ]; then
    new=--wsrep-new-cluster
    sed "s/the-password-of-web.env/$DESPERTAR_DB_PASSWORD/" /deploy/database/accounts.sql > /tmp/accounts.sql
    set -- "$@" --init-file=/tmp/accounts.sql
    touch /var/lib/mysql/begun
fi
exec mariadbd --defaults-file=/deploy/database/galera.cnf --datadir=/var/lib/mysql --socket=/tmp/mariadb.sock \
    --bind-address=0.0.0.0 --wsrep-node-name="$name" --wsrep-node-address="$(hostname -i)" \
    --wsrep-cluster-address=gcomm://db1,db2,db3 $new "$@"
