@include('errors.page', ['code' => '400'])
