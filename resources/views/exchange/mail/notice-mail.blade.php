{!! __('account.mail_greeting', ['name' => $name]) !!}

{!! $body !!}

{!! $link !!}

{!! __('account.mail_closing') !!}
