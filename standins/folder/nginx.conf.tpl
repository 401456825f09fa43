# A stand-in for a folder elsewhere that is reached by WebDAV: Debian's nginx with its dav module, on loopback.
# Filled in by bin/start: name "porch", password "seven herons".
daemon off;
pid {{VAR}}/folder.pid;
error_log {{VAR}}/log/folder.log;
events {}
http {
    access_log off;
    client_max_body_size 200m;
    client_body_temp_path {{VAR}}/folder/.coming;
    proxy_temp_path {{VAR}}/folder/.proxy;
    fastcgi_temp_path {{VAR}}/folder/.fastcgi;
    uwsgi_temp_path {{VAR}}/folder/.uwsgi;
    scgi_temp_path {{VAR}}/folder/.scgi;
    server {
        listen 127.0.0.1:{{FOLDER_PORT}};
        auth_basic "A folder";
        auth_basic_user_file {{ROOT}}/standins/folder/htpasswd;
        location / {
            root {{VAR}}/folder;
            dav_methods PUT DELETE MKCOL;
            autoindex on;
        }
    }
}
