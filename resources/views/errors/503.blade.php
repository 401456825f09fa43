@include('errors.page', ['code' => '503'])
