@include('errors.page', ['code' => '404'])
