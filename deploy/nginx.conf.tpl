# Filled in by bin/start. Everything listens on loopback.
daemon off;
user {{USER}};
worker_processes 2;
pid {{RUN}}/nginx.pid;
error_log {{VAR}}/log/nginx-error.log warn;

events { worker_connections 512; }

http {
    include /etc/nginx/mime.types;
    types { text/javascript mjs; font/woff2 woff2; }
    default_type application/octet-stream;
    # Neither what was looked for, nor a key by which an address is somebody's.
    map $uri $logged {
        ~^(?<before>/(calendar|shared)/) "${before}…";
        default $uri;
    }
    log_format timed '$time_iso8601 $status $request_method $logged $request_time $upstream_response_time $body_bytes_sent';
    access_log {{VAR}}/log/nginx-access.log timed;
    client_body_temp_path {{VAR}}/tmp/body;
    fastcgi_temp_path {{VAR}}/tmp/fastcgi;
    proxy_temp_path {{VAR}}/tmp/proxy;
    scgi_temp_path {{VAR}}/tmp/scgi;
    uwsgi_temp_path {{VAR}}/tmp/uwsgi;
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

        # The mail stand-in's outbox: for the demo alone.
        location /outbox/ { # demo
            proxy_pass http://127.0.0.1:{{OUTBOX_PORT}}/; # demo
        } # demo

        location / {
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
