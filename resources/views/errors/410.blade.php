@include('errors.page', ['code' => '410'])
