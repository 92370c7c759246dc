-- Once, on the first database machine. The password is the one in /etc/despertar/web.env.
CREATE DATABASE IF NOT EXISTS despertar;
CREATE USER IF NOT EXISTS 'despertar'@'%' IDENTIFIED BY 'the-password-of-web.env';
GRANT ALL ON despertar.* TO 'despertar'@'%';
-- As whom a machine copies itself for one that joins: the system's user of that name, from this machine alone.
CREATE USER IF NOT EXISTS 'mysql'@'localhost' IDENTIFIED VIA unix_socket;
GRANT RELOAD, PROCESS, LOCK TABLES, BINLOG MONITOR ON *.* TO 'mysql'@'localhost';
-- As whom the proxies look whether a machine answers; it may do nothing at all.
CREATE USER IF NOT EXISTS 'despertar_look'@'%';
