{!! __('account.mail_greeting', ['name' => $name]) !!}

{!! __('sending.code_text_mail', ['hours' => $hours]) !!}

{{ $code }}

{!! __('sending.code_not_you') !!}

{!! __('account.mail_closing') !!}
