<?php

declare(strict_types=1);

namespace App\Reading\Places;

use App\Models\Loan;
use App\Shared\RequestContext;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Gate;

final class PlaceController
{
    public function index(Loan $loan, RequestContext $current, Places $places): JsonResponse
    {
        Gate::allows('own', $loan) || abort(404);

        return response()->json($places->all($current->person->id ?? 0, $loan->title_id));
    }

    public function keep(PlaceRequest $request, Loan $loan, RequestContext $current, KeepPlace $keepPlace): JsonResponse
    {
        Gate::allows('own', $loan) || abort(404);
        $loan->isOpen(now()) || abort(410);
        $keepPlace($current->person->id ?? 0, $loan->title_id, $request->device(), $request->deviceName(), $request->locator(), $request->readAt(now()->toImmutable()));

        return response()->json(null, 204);
    }
}
