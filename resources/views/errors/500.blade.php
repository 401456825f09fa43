@include('errors.plain', ['heading' => __('common.error.500.heading'), 'text' => __('common.error.500.text'),
    'to' => '/', 'button' => __('common.home')])
