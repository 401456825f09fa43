# nginx drops most of what the application said when it sends a file on its word; these are said again.
add_header Content-Security-Policy $upstream_http_content_security_policy always;
add_header X-Content-Type-Options $upstream_http_x_content_type_options always;
add_header X-Frame-Options $upstream_http_x_frame_options always;
add_header Referrer-Policy $upstream_http_referrer_policy always;
add_header Cross-Origin-Resource-Policy $upstream_http_cross_origin_resource_policy always;
