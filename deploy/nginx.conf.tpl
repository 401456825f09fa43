# Filled in by bin/start. Everything listens on loopback.
daemon off;
user {{USER}};
worker_processes auto;
worker_rlimit_nofile 16384;
pid {{RUN}}/nginx.pid;
error_log {{VAR}}/log/nginx-error.log warn;

events { worker_connections 4096; }

http {
    include /etc/nginx/mime.types;
    types { text/javascript mjs; font/woff2 woff2; }
    default_type application/octet-stream;
    # Neither what was looked for, nor a key by which an address is somebody's.
    map $uri $logged {
        ~^(?<before>/(calendar|shared|sign-in/pin|desk/begin|desk/join)/) "${before}…";
        default $uri;
    }
    log_format timed '$time_iso8601 $status $request_method $logged $request_time $upstream_response_time $body_bytes_sent';
    access_log {{VAR}}/log/nginx-access.log timed;
    client_body_temp_path {{VAR}}/tmp/body;
    fastcgi_temp_path {{VAR}}/tmp/fastcgi;
    proxy_temp_path {{VAR}}/tmp/proxy;
    scgi_temp_path {{VAR}}/tmp/scgi;
    uwsgi_temp_path {{VAR}}/tmp/uwsgi;
    # How much may wait for the application at once, sized from the machine by bin/start; more is told so at once,
    # rather than cut off later. A sign-in costs much on purpose: they are let in at a pace and wait here, where
    # waiting costs nothing. One address may be a whole school, so it is slowed down late and never for a reader's files.
    # Behind a proxy of ours (TRUSTED_PROXIES) a visitor's address is what the proxy says.
    geo $is_proxy {
        default 0;
        include {{VAR}}/conf/proxies.conf;
    }
    map "$is_proxy $http_x_forwarded_for" $visitor_address {
        "~^1 (?:.*, *)?(?<forwarded>[0-9A-Fa-f.:]+) *$" $forwarded;
        default $remote_addr;
    }
    limit_conn_zone $server_name zone=waiting:64k;
    limit_conn_zone $visitor_address zone=waiting_here:4m;
    # At one address fewer sign in than at all together, or one could keep everybody else out.
    # Reading applications sign in once for a token, or with each request.
    map "$request_method $uri|$http_authorization" $signs_in {
        "~^POST (/desk)?/sign-in(/code|/pin/.*)?\|" all;
        "~^POST /opds/[12]/[^/]+/token\|" all;
        "~*^[A-Z]+ /opds/.*\|basic " all;
        default "";
    }
    map $signs_in $signs_in_here {
        all $visitor_address;
        default "";
    }
    limit_req_zone $signs_in zone=sign_in:64k rate={{SIGN_INS}}r/s;
    limit_req_zone $signs_in_here zone=sign_in_here:4m rate={{SIGN_INS_HERE}}r/s;
    map $uri $searches {
        ~^/(catalogue|suggest|rooms)(/|$) $visitor_address;
        ~^/opds/[12]/[^/]+/(titles|subjects|series)$ $visitor_address;
        default "";
    }
    limit_req_zone $searches zone=searches:4m rate={{SEARCHES}}r/s;
    # Pages of a PDF are pictures, dozens in a page that is printed: those of one loan are drawn one after the other.
    map $uri $draws {
        ~^/loans/(?<loan>[0-9]+)/pages/[0-9]+\.png$ $loan;
        default "";
    }
    limit_req_zone $draws zone=draws:4m rate=4r/s;
    limit_conn_status 503;
    limit_req_status 429;
    limit_conn_log_level warn;
    limit_req_log_level info;

    # The language of the pages that stand ready for when the application does not answer: chosen, or the first of
    # ours that the browser names.
    map $http_accept_language $preferred_language {
        ~*^(?!.*\ben\b.*\bes\b).*\bes\b es;
        default en;
    }
    map $cookie_locale $page_language {
        en en;
        es es;
        default $preferred_language;
    }

    sendfile on;
    server_tokens off;
    client_max_body_size 2m;
    gzip on;
    gzip_min_length 600;
    gzip_types text/css text/javascript application/javascript application/json image/svg+xml application/xhtml+xml application/oebps-package+xml;

    server {
        listen {{ADDRESS}}:{{PORT}};
        root {{ROOT}}/public;

        location /build/ {
            add_header Cache-Control "public, max-age=31536000, immutable";
            add_header X-Content-Type-Options nosniff;
            # The worker that answers where there is no network answers for the whole site.
            add_header Service-Worker-Allowed "/";
            try_files $uri =404;
        }

        location ~ ^/(icon\.svg|manifest\.webmanifest|icons/[a-z0-9]+\.png)$ {
            types { application/manifest+json webmanifest; image/svg+xml svg; image/png png; }
            add_header Cache-Control "public, max-age=86400";
            add_header X-Content-Type-Options nosniff;
        }

        # Files of publications: only on the application's word (X-Accel-Redirect), never by their own address.
        location /_publications/ {
            internal;
            include {{VAR}}/conf/file-headers.conf;
            alias {{VAR}}/storage/publications/;
        }
        location /_ranges/ {
            internal;
            include {{VAR}}/conf/file-headers.conf;
            gzip off;
            alias {{VAR}}/storage/publications/;
        }

        # Files made of a loan: a download, pages as PDF.
        location /_prepared/ {
            internal;
            include {{VAR}}/conf/file-headers.conf;
            gzip off;
            alias {{VAR}}/storage/prepared/;
        }

        # The mail stand-in's outbox: for the demo alone.
        location /outbox/ { # demo
            proxy_pass http://127.0.0.1:{{OUTBOX_PORT}}/; # demo
        } # demo

        error_page 502 504 =503 /_pages/$page_language/down.html;
        error_page 503 /_pages/$page_language/busy.html;
        error_page 429 /_pages/$page_language/often.html;
        location /_pages/ {
            internal;
            alias {{VAR}}/storage/pages/;
            add_header Retry-After 5 always;
            add_header Cache-Control no-store always;
            add_header X-Content-Type-Options nosniff always;
            add_header X-Frame-Options DENY always;
            add_header Content-Security-Policy "default-src 'none'; style-src 'self'; font-src 'self'; frame-ancestors 'none'" always;
        }

        location / {
            limit_conn waiting {{WAITING}};
            limit_conn waiting_here {{WAITING_HERE}};
            limit_req zone=sign_in_here burst={{SIGN_INS_WAITING_HERE}};
            limit_req zone=sign_in burst={{SIGN_INS_WAITING}};
            limit_req zone=searches burst={{SEARCHES_WAITING}};
            limit_req zone=draws burst=100;
            fastcgi_pass unix:{{RUN}}/php-fpm.sock;
            include /etc/nginx/fastcgi_params;
            fastcgi_param HTTP_HOST $http_host;
            fastcgi_param SCRIPT_FILENAME {{ROOT}}/public/index.php;
            fastcgi_param SCRIPT_NAME /index.php;
            fastcgi_buffers 16 32k;
            fastcgi_buffer_size 64k;
        }
    }
}
