@use('App\Models\StaffInvitation')
@use('App\Shared\View\Dates')
@use('FigPorch\Core\Desk\StaffRole')
@php($zone = $staff->library->zone())
<x-desk.layout :title="__('staff.title')" on="staff" :staff="$staff">
    <h1 class="text-3xl mb-4">{{ __('staff.title') }}</h1>
    @if (session('invitation_link'))
        <div class="message bg-card border-haint-deep mb-4"><p class="mb-1">{{ __('staff.link_text', ['days' =>
            StaffInvitation::DAYS]) }}</p><code class="break-all">{{ session('invitation_link') }}</code></div>
    @endif
    <div class="grid lg:grid-cols-[1fr_380px] gap-8">
        <div class="grid gap-7 content-start">
            <div class="panel overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('staff.title') }}"><table
                class="w-full text-[15px] desk-table">
                <thead><tr><th scope="col">{{ __('staff.name') }}</th><th scope="col">{{ __('staff.role') }}</th><th
                    scope="col"><span class="sr-only">{{ __('staff.end') }}</span></th></tr></thead>
                <tbody>@foreach ($posts as $post)<tr><th scope="row" class="text-left font-normal"><b>{{
                    $post->member->name }}</b><span class="block text-soft">{{ $post->member->email }}</span></th>
                    <td><form method="post" action="{{ route('desk.staff.role', $post->member) }}"
                        class="flex gap-2">@csrf<select name="role" class="field py-1.5 min-h-9"
                        aria-label="{{ __('staff.role_of', ['name' => $post->member->name]) }}">
                        @foreach (StaffRole::cases() as $role)<option value="{{ $role->value }}"
                        @selected($post->role === $role)>{{ __("staff.roles.{$role->value}.0") }}</option>
                        @endforeach</select><button class="btn btn-quiet">{{ __('staff.change') }}<span
                        class="sr-only">: {{ $post->member->name
                        }}</span></button></form></td>
                    <td class="num"><details><summary class="link cursor-pointer text-clay">{{ __('staff.end') }}<span
                        class="sr-only">: {{ $post->member->name }}</span></summary><form method="post"
                        action="{{ route('desk.staff.end', $post->member) }}" class="mt-2 text-left">@csrf<p
                        class="mb-2 max-w-56">{{ $post->member->is($staff) ? __('staff.end_sure_self') :
                        __('staff.end_sure') }}</p><button class="btn btn-quiet">{{ __('staff.end_yes') }}</button>
                        </form></details></td></tr>@endforeach</tbody>
            </table></div>
            @if ($invitations->isNotEmpty())
                <section aria-labelledby="invited"><h2 id="invited" class="text-xl mb-2">{{ __('staff.invitations')
                    }}</h2>
                    <ul class="panel divide-y divide-rule">@foreach ($invitations as $invitation)<li class="px-4 py-3
                        flex flex-wrap items-center gap-3"><span class="grow min-w-0"><b>{{ $invitation->email
                        }}</b><span class="meta block">{{ __("staff.roles.{$invitation->role->value}.0") }} · {{
                        $invitation->isOver($now) ? __('staff.invitation_over') : __('staff.invited_on', ['date' =>
                        Dates::day($invitation->invited_at, $zone), 'name' => $invitation->inviter->name]) }}</span>
                        </span>
                        <form method="post" action="{{ route('desk.staff.invite') }}">@csrf<input type="hidden"
                            name="email" value="{{ $invitation->email }}"><input type="hidden" name="role"
                            value="{{ $invitation->role->value }}"><button class="btn btn-quiet">{{ __('staff.again')
                            }}<span class="sr-only">: {{ $invitation->email }}</span></button></form>
                        <form method="post" action="{{ route('desk.staff.withdraw', $invitation) }}">@csrf<button
                            class="btn btn-plain">{{ __('staff.withdraw') }}<span class="sr-only">:
                            {{ $invitation->email }}</span></button></form></li>@endforeach</ul></section>
            @endif
        </div>
        <form method="post" action="{{ route('desk.staff.invite') }}" class="panel p-4 grid gap-3 content-start
            self-start" data-send-once>
            @csrf
            <h2 class="text-xl">{{ __('staff.invite') }}</h2>
            <x-desk.field name="email" type="email" max="200" :label="__('desk.email')" :hint="__('staff.invite_text')"
                autocomplete="off" />
            <fieldset class="grid gap-2"><legend class="font-semibold mb-1">{{ __('staff.role') }}</legend>
                @foreach (StaffRole::cases() as $role)<label class="flex gap-2.5 items-start"><input type="radio"
                    name="role" value="{{ $role->value }}" @checked(old('role', 'lending') === $role->value)
                    class="accent-shutter w-4.5 h-4.5 mt-0.5 shrink-0"><span>{{ __("staff.roles.{$role->value}.0")
                    }}<span class="meta block">{{ __("staff.roles.{$role->value}.1") }}</span></span></label>@endforeach
            </fieldset>
            <div><button class="btn">{{ __('staff.invite') }}</button></div>
        </form>
    </div>
</x-desk.layout>
