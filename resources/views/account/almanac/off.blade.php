<x-layout :title="__('almanac.heading')" on="almanac">
    <h1 class="text-3xl mb-3">{{ __('almanac.heading') }}</h1>
    <div class="panel p-6 max-w-2xl"><p class="font-semibold mb-2">{{ __('almanac.off') }}</p><p class="mb-4">{{
        __('almanac.off_text') }}</p><form method="post" action="/settings/history">@csrf<input type="hidden"
        name="keep" value="1"><input type="hidden" name="then" value="almanac"><button class="btn">{{
        __('account.history_start') }}</button></form></div>
</x-layout>
