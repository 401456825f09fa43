@include('errors.plain', ['heading' => __('common.error.503.heading'), 'text' => __('common.error.503.text'),
    'to' => '/', 'button' => __('common.home')])
