#!/bin/sh
# The stand-in for an object store, with its bucket. What it holds goes with it.
set -e
/opt/store/bin/python -m moto.server -H 0.0.0.0 -p 9000 &
until /opt/store/bin/python -c "import urllib.request as u; u.urlopen(u.Request('http://127.0.0.1:9000/despertar', method='PUT'))" 2> /dev/null; do
    sleep 1
done
wait
