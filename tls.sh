# TLS on the local network: an authority of this folder's own, and a certificate of it for the addresses of this machine.
# mark-turn sources this. Everything lies in DIR/tls, the keys readable by the owner of the folder alone.

# Networks that nobody can own on the Internet (RFC 1918, 3927, 4193, 4291): all that the authority can ever vouch for, so that its key,
# should it get out, opens nothing else.
local_networks="IP:10.0.0.0/255.0.0.0 IP:172.16.0.0/255.240.0.0 IP:192.168.0.0/255.255.0.0 IP:169.254.0.0/255.255.0.0 IP:127.0.0.0/255.0.0.0
  IP:fc00::/fe00:: IP:fe80::/ffc0:: IP:::1/ffff:ffff:ffff:ffff:ffff:ffff:ffff:ffff DNS:local DNS:localhost DNS:lan DNS:home.arpa DNS:internal"

is_loopback() { case "$1" in 127.*.*.* | ::1 | localhost) return 0 ;; *) return 1 ;; esac; }

is_address() { [[ "$1" =~ ^([0-9]{1,3}\.){3}[0-9]{1,3}$ ]] || [[ "$1" =~ ^[0-9a-fA-F:]*:[0-9a-fA-F:]*$ ]]; }

# The addresses and names under which this machine is reached, one a line: the one that was asked for, or all where that is 0.0.0.0 or ::.
reached_as() { # ADDRESS
  case "$1" in
    0.0.0.0 | ::)
      hostname -I 2>/dev/null | tr ' ' '\n' | grep . || true
      printf '%s.local\n' "$(hostname)" ;;
    *) printf '%s\n' "$1" ;;
  esac
}

as_alternative_names() { # of lines on the standard input, as openssl wants them
  local name list=""
  while read -r name; do
    if is_address "$name"; then list="$list,IP:$name"; else list="$list,DNS:$name"; fi
  done
  printf '%s' "${list#,}"
}

# What the authority may vouch for: the local networks, and the addresses that this machine has today.
constraints() { # ADDRESS
  local name list=""
  for name in $local_networks; do list="$list,permitted;$name"; done
  while read -r name; do
    if [[ "$name" == *:* ]]; then list="$list,permitted;IP:$name/ffff:ffff:ffff:ffff:ffff:ffff:ffff:ffff"
    elif is_address "$name"; then list="$list,permitted;IP:$name/255.255.255.255"
    else list="$list,permitted;DNS:$name"; fi
  done < <(reached_as "$1")
  printf 'critical%s' "$list"
}

# Made once for a folder, for ten years; whoever trusts it need not be asked again.
prepare_authority() { # DIR ADDRESS
  local tls="$1/tls"
  [ -f "$tls/authority.crt" ] && return 0
  (umask 077; mkdir -p "$tls")
  (umask 077
    openssl req -x509 -newkey ec -pkeyopt ec_paramgen_curve:P-256 -nodes -days 3650 -subj "/O=Mark Turn/CN=Mark Turn on $(hostname), $(date -u +%F)" \
      -addext "basicConstraints=critical,CA:TRUE,pathlen:0" -addext "keyUsage=critical,keyCertSign" -addext "nameConstraints=$(constraints "$2")" \
      -keyout "$tls/authority.key" -out "$tls/authority.part" 2> "$tls/openssl.log") || fail "no authority could be made: see $tls/openssl.log"
  mv "$tls/authority.part" "$tls/authority.crt"
}

# Made anew where the addresses have changed or it ends within a month; devices that trust the authority do not notice.
prepare_certificate() { # DIR ADDRESS
  local tls="$1/tls" names
  need openssl openssl
  prepare_authority "$1" "$2"
  names=$(reached_as "$2" | as_alternative_names)
  if [ "$(cat "$tls/names" 2>/dev/null || true)" = "$names" ] && openssl x509 -checkend 2592000 -noout -in "$tls/server.crt" >/dev/null 2>&1; then return 0; fi
  (umask 077
    openssl req -newkey ec -pkeyopt ec_paramgen_curve:P-256 -nodes -subj "/O=Mark Turn/CN=$(hostname)" -keyout "$tls/server.key" -out "$tls/server.request" \
      && openssl x509 -req -in "$tls/server.request" -CA "$tls/authority.crt" -CAkey "$tls/authority.key" -CAcreateserial -days 397 -out "$tls/server.crt" \
        -extfile <(printf 'subjectAltName=%s\nkeyUsage=critical,digitalSignature\nextendedKeyUsage=serverAuth\nbasicConstraints=critical,CA:FALSE\n' "$names")
  ) 2> "$tls/openssl.log" || fail "no certificate could be made: see $tls/openssl.log"
  openssl verify -CAfile "$tls/authority.crt" "$tls/server.crt" > "$tls/openssl.log" 2>&1 \
    || fail "the authority of $1 does not vouch for $names: take --certificate and --key, or move $tls away, and every device must trust the new one"
  rm -f "$tls/server.request"
  printf '%s' "$names" > "$tls/names"
}

# What people compare before they trust it.
fingerprint() { # CERTIFICATE
  openssl x509 -noout -fingerprint -sha256 -in "$1" | sed 's/^.*=//'
}

# The names in a certificate of one's own, so that the pages answer to them.
names_of() { # CERTIFICATE
  openssl x509 -noout -ext subjectAltName -in "$1" 2>/dev/null | tr ',' '\n' | sed -n 's/^ *DNS:\([^*]*\)$/\1/p; s/^ *IP Address:\(.*\)$/\1/p'
}

# Says what cannot be served as asked, before anything is started; sets $tls_certificate, $tls_key and $hosts.
prepare_reach() {
  hosts=$proxy
  tls_certificate=""
  tls_key=""
  if [ -n "$certificate$key" ]; then
    need openssl openssl
    [ -n "$address" ] || fail "--certificate and --key go with --address: say on which address to serve, 0.0.0.0 for all"
    [ -r "$certificate" ] && openssl x509 -noout -in "$certificate" 2>/dev/null || fail "--certificate wants a certificate in PEM that can be read, not '$certificate'"
    [ -r "$key" ] && openssl pkey -noout -in "$key" 2>/dev/null || fail "--key wants a private key in PEM that can be read, without a password, not '$key'"
    [ "$(openssl x509 -noout -pubkey -in "$certificate")" = "$(openssl pkey -pubout -in "$key" 2>/dev/null)" ] || fail "$key is not the key of $certificate"
    openssl x509 -checkend 0 -noout -in "$certificate" >/dev/null || fail "$certificate has ended: a browser would refuse it"
    tls_certificate=$(realpath "$certificate")
    tls_key=$(realpath "$key")
    hosts="$hosts $(names_of "$certificate" | tr '\n' ' ')"
  elif $tls; then
    [ -n "$address" ] || address=0.0.0.0
    prepare_certificate "$data" "$address"
    tls_certificate="$data/tls/server.crt"
    tls_key="$data/tls/server.key"
  elif [ -n "$address" ] && ! is_loopback "$address"; then
    fail "$address without TLS would send passwords and field books in the clear: add --tls, or --certificate and --key"
  fi
  [ -z "$address" ] || hosts="$hosts $(reached_as "$address" | sed 's/^\(.*:.*\)$/[\1]/' | tr '\n' ' ')"
}

# The first address that a device of the local network would take: the certificate's own name where it is a real one.
shown_address() {
  local name
  if [ -n "$certificate" ]; then name=$(names_of "$certificate" | head -n 1); else name=$(reached_as "$address" | head -n 1); fi
  [[ "$name" == *:* ]] && name="[$name]"
  printf 'https://%s:%s' "$name" "$tls_port"
}

# How the application is reached from beyond this machine, as its options; whoever can be reached has no password that everybody knows.
decide_reach() {
  reach=()
  [ -z "$proxy" ] || reach+=(--server.forward-headers-strategy=native)
  [ -z "$tls_certificate" ] || reach+=(--markturn.tls.address="$address" --markturn.tls.port="$tls_port" --markturn.tls.certificate="$tls_certificate"
    --markturn.tls.key="$tls_key" --markturn.tls.shown="$(shown_address)")
  [ -z "$proxy" ] || [ -n "$tls_certificate" ] || reach+=(--markturn.tls.shown="https://$proxy")
  [ "$tls_certificate" != "$data/tls/server.crt" ] || reach+=(--markturn.tls.authority="$data/tls/authority.crt")
  if [ "${#reach[@]}" -gt 0 ] && [ "$demo" = true ] && [ ! -f "$data/demo.password" ]; then (umask 077; password | cut -c1-12 > "$data/demo.password"); fi
}

say_reach() {
  [ -n "$tls_certificate" ] || return 0
  say "On a phone:          $(shown_address)"
  [ ! -t 1 ] || (cd "$build/application" && java -XX:TieredStopAtLevel=1 -Dlogback.configurationFile=markturn/web/quiet-logback.xml -cp web.jar:lib/* markturn.web.phone.TerminalCode "$(shown_address)/phone")
  if [ -n "$certificate" ]; then return 0; fi
  say "                     Each device is asked once to trust the authority of this folder; the page /phone says how. Its fingerprint:"
  say "                     $(fingerprint "$data/tls/authority.crt")"
}
