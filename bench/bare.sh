#!/bin/sh
# The two README commands in a bare Debian 12: debootstrap's smallest root, this commit, nothing else.
# Run as root: sh bench/bare.sh [FOLDER]. Packages come from where this machine's apt takes them.
set -eu
here=$(cd "$(dirname "$0")/.." && pwd)
root=${1:-/var/tmp/tuyere-bare}
mirror=$(sed -n 's/^URIs: *//p' /etc/apt/sources.list.d/*.sources 2>/dev/null | head -1)
[ -n "$mirror" ] || mirror=$(sed -n 's/^deb \([^ ]*\).*/\1/p' /etc/apt/sources.list | head -1)
command -v debootstrap >/dev/null || { echo "debootstrap is missing: apt-get install debootstrap" >&2; exit 1; }

[ -x "$root/usr/bin/apt-get" ] || debootstrap --variant=minbase bookworm "$root" "$mirror"
for f in /etc/resolv.conf /etc/hosts; do cp -L "$f" "$root$f"; done
# What this machine was told about its proxies and indexes holds in there too.
for f in /etc/pip.conf /etc/npmrc /etc/apt/apt.conf.d/*proxy* /usr/local/share/ca-certificates /etc/ssl/certs; do
  [ -e "$f" ] && mkdir -p "$root$(dirname "$f")" && cp -rL "$f" "$root$(dirname "$f")/" || true
done
[ ! -e "$HOME/.npmrc" ] || cp "$HOME/.npmrc" "$root/root/"
rm -rf "$root/srv/tuyere"
git clone -q "$here" "$root/srv/tuyere"
mountpoint -q "$root/proc" || mount -t proc proc "$root/proc"
mountpoint -q "$root/dev" || mount --rbind /dev "$root/dev"
trap 'umount -l "$root/proc" "$root/dev" 2>/dev/null || true' EXIT

inside() { chroot "$root" /usr/bin/env -i HOME=/root PATH=/usr/sbin:/usr/bin:/sbin:/bin $(env | grep -iE '^(https?_proxy|no_proxy|pip_|npm_config_|uv_|ssl_cert|node_extra_ca|requests_ca|curl_ca)' || true) "$@"; }
inside sh -c 'apt-get update -q && apt-get install -y -q --no-install-recommends python3 ca-certificates'
inside sh -c 'cd /srv/tuyere && (timeout 900 ./tuyere demo --port 8359 & p=$!
  for n in $(seq 800); do python3 -c "import urllib.request as u; print(u.urlopen(\"http://127.0.0.1:8359/readyz\").read().decode())" 2>/dev/null && break; sleep 1; done
  kill -INT $p; wait $p) && du -sm .'
inside sh -c 'cd /srv/tuyere && ./tuyere test'
