; Filled in by bin/start. PostgreSQL and the stand-ins come up first; bin/start starts the "app" group once the
; database is ready.
[unix_http_server]
file = {{RUN}}/supervisor.sock
chmod = 0700

[supervisord]
pidfile = {{RUN}}/supervisord.pid
logfile = {{VAR}}/log/supervisord.log
logfile_maxbytes = 5MB
logfile_backups = 1
directory = {{ROOT}}
nodaemon = false

[rpcinterface:supervisor]
supervisor.rpcinterface_factory = supervisor.rpcinterface:make_main_rpcinterface

[supervisorctl]
serverurl = unix://{{RUN}}/supervisor.sock

[program:postgres]
; What a question was about and what was bound to it stays out of its log; the application says which one failed.
command = {{DB_AS}} {{PG_BIN}}/postgres -D {{VAR}}/pg -c log_min_messages=fatal -c log_min_error_statement=panic -c log_parameter_max_length=0 -c log_parameter_max_length_on_error=0
autorestart = true
startretries = 1000
priority = 1
stopsignal = INT
stopwaitsecs = 60
stdout_logfile = {{VAR}}/log/postgres.log
redirect_stderr = true
stdout_logfile_maxbytes = 5MB
stdout_logfile_backups = 1

[program:mail]
command = node {{ROOT}}/standins/mail/server.mjs {{SMTP_PORT}} {{OUTBOX_PORT}} {{VAR}}/outbox
autorestart = true
startretries = 1000
priority = 2
stdout_logfile = {{VAR}}/log/mail.log
redirect_stderr = true
stdout_logfile_maxbytes = 5MB
stdout_logfile_backups = 1

[program:supplier]
command = node {{ROOT}}/standins/supplier/server.mjs {{SUPPLIER_PORT}} {{SUPPLIER_TITLES}}
autorestart = true
startretries = 1000
priority = 2
stdout_logfile = {{VAR}}/log/supplier.log
redirect_stderr = true
stdout_logfile_maxbytes = 5MB
stdout_logfile_backups = 1

[program:push]
command = node {{ROOT}}/standins/push/server.mjs {{PUSH_PORT}}
autorestart = true
startretries = 1000
priority = 2
stdout_logfile = {{VAR}}/log/push.log
redirect_stderr = true
stdout_logfile_maxbytes = 5MB
stdout_logfile_backups = 1

[program:school]
command = node {{ROOT}}/standins/school/server.mjs {{SCHOOL_PORT}} {{APP}}/sign-in/school/callback
autostart = {{DEMO}}
autorestart = true
startretries = 1000
priority = 2
stdout_logfile = {{VAR}}/log/school.log
redirect_stderr = true
stdout_logfile_maxbytes = 5MB
stdout_logfile_backups = 1

[program:folder]
command = nginx -e {{VAR}}/log/folder.log -c {{VAR}}/conf/folder.conf -p {{VAR}}
autostart = {{DEMO}}
autorestart = true
startretries = 1000
priority = 2
stdout_logfile = {{VAR}}/log/folder.log
redirect_stderr = true
stdout_logfile_maxbytes = 5MB
stdout_logfile_backups = 1

[program:library-system]
command = node {{ROOT}}/standins/library-system/server.mjs {{SYSTEM_PORT}}
autostart = {{DEMO}}
autorestart = true
startretries = 1000
priority = 2
stdout_logfile = {{VAR}}/log/library-system.log
redirect_stderr = true
stdout_logfile_maxbytes = 5MB
stdout_logfile_backups = 1

[program:websites]
command = node {{ROOT}}/standins/websites/server.mjs {{WEBSITES_PORT}}
autostart = {{DEMO}}
autorestart = true
startretries = 1000
priority = 2
stdout_logfile = {{VAR}}/log/websites.log
redirect_stderr = true
stdout_logfile_maxbytes = 5MB
stdout_logfile_backups = 1

[program:php-fpm]
command = sh {{ROOT}}/deploy/alone.sh {{RUN}}/php-fpm.group php-fpm8.2 -F {{FPM_ROOT}} -y {{VAR}}/conf/php-fpm.conf -d opcache.enable=1 -d opcache.memory_consumption=192 -d opcache.max_accelerated_files=30000 -d opcache.preload={{ROOT}}/deploy/preload.php -d opcache.preload_user={{USER}} -d opcache.revalidate_freq=2 -d opcache.interned_strings_buffer=32 -d realpath_cache_size=4096k -d realpath_cache_ttl=600
autorestart = true
startretries = 1000
autostart = false
stopsignal = QUIT
stopwaitsecs = 30
stdout_logfile = {{VAR}}/log/php-fpm.out
redirect_stderr = true
stdout_logfile_maxbytes = 5MB
stdout_logfile_backups = 1

[program:nginx]
command = sh {{ROOT}}/deploy/alone.sh {{RUN}}/nginx.group nginx -c {{VAR}}/conf/nginx.conf -e {{VAR}}/log/nginx-error.log
autorestart = true
startretries = 1000
autostart = false
stopsignal = QUIT
stopwaitsecs = 30
stdout_logfile = {{VAR}}/log/nginx.out
redirect_stderr = true
stdout_logfile_maxbytes = 5MB
stdout_logfile_backups = 1

[program:queue]
environment = PGOPTIONS="-c lock_timeout=20s -c statement_timeout=300s"
command = php artisan queue:work --sleep=1 --rest=0.01 --max-time=3600 --tries=8
autorestart = true
startretries = 1000
autostart = false
stopwaitsecs = 30
stdout_logfile = {{VAR}}/log/queue.log
redirect_stderr = true
stdout_logfile_maxbytes = 5MB
stdout_logfile_backups = 1

[program:imports]
environment = PGOPTIONS="-c lock_timeout=20s -c statement_timeout=300s"
command = php artisan queue:work imports --sleep=1 --timeout=1000 --max-time=3600 --tries=3
autorestart = true
startretries = 1000
autostart = false
stopwaitsecs = 30
stdout_logfile = {{VAR}}/log/imports.log
redirect_stderr = true
stdout_logfile_maxbytes = 5MB
stdout_logfile_backups = 1

[program:files]
environment = PGOPTIONS="-c lock_timeout=20s -c statement_timeout=60s"
command = php artisan queue:work files --sleep=0.5 --timeout=300 --max-time=3600 --tries=2
autorestart = true
startretries = 1000
autostart = false
stopwaitsecs = 30
stdout_logfile = {{VAR}}/log/files.log
redirect_stderr = true
stdout_logfile_maxbytes = 5MB
stdout_logfile_backups = 1

[program:sendings]
environment = PGOPTIONS="-c lock_timeout=20s -c statement_timeout=60s"
command = php artisan queue:work sendings --sleep=1 --timeout=300 --max-time=3600 --tries=6
autorestart = true
startretries = 1000
autostart = false
stopwaitsecs = 30
stdout_logfile = {{VAR}}/log/sendings.log
redirect_stderr = true
stdout_logfile_maxbytes = 5MB
stdout_logfile_backups = 1

[program:scheduler]
environment = RUN="{{RUN}}"
command = php artisan schedule:work
autorestart = true
startretries = 1000
autostart = false
stdout_logfile = {{VAR}}/log/scheduler.log
redirect_stderr = true
stdout_logfile_maxbytes = 5MB
stdout_logfile_backups = 1

[group:app]
programs = php-fpm,nginx,queue,imports,files,sendings,scheduler
