@include('errors.page', ['code' => '403'])
