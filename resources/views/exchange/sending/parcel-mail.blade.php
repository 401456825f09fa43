{!! __('account.mail_greeting', ['name' => $name]) !!}

{!! __('sending.mail_text', ['what' => $what]) !!}
@if ($said !== '')

{!! $said !!}
@endif

{!! __('account.mail_closing') !!}
