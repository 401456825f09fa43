{{-- Whoever refused says why, unless it is the framework. --}}
@php($said = $exception->getMessage() === 'This action is unauthorized.' ? '' : $exception->getMessage())
@include('errors.page', ['code' => '403', 'said' => $said])
