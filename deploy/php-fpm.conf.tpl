; Filled in by bin/start.
[global]
pid = {{RUN}}/php-fpm.pid
error_log = {{VAR}}/log/php-fpm.log
; Whoever is being answered when it is stopped gets the answer.
process_control_timeout = 25s

[www]
; Heeded only when started by root.
user = {{USER}}
listen = {{RUN}}/php-fpm.sock
listen.mode = 0600
; More than nginx lets wait, so that nobody is cut off here.
listen.backlog = {{BACKLOG}}
pm = static
pm.max_children = {{WORKERS}}
pm.max_requests = 2000
clear_env = no
; Nobody waits for ever: for a row that somebody else holds, for a question, for a page.
env[PGOPTIONS] = "-c lock_timeout=3s -c statement_timeout=20s -c idle_in_transaction_session_timeout=30s"
request_terminate_timeout = 60s
catch_workers_output = yes
php_admin_value[memory_limit] = 256M
php_admin_value[error_log] = {{VAR}}/log/php-error.log
php_admin_flag[expose_php] = off
