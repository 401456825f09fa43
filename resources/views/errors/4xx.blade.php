@include('errors.page', ['code' => '4xx'])
