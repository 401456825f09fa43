<?php

declare(strict_types=1);

namespace App\Reading\Places;

use App\Account\Almanac\RecordReading;
use App\Models\Loan;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;

final class PlaceController
{
    public function index(Loan $loan, RequestContext $current, Places $places): JsonResponse
    {
        return response()->json($places->all($current->requiredPerson()->id, $loan->title_id));
    }

    public function keep(
        PlaceRequest $request,
        Loan $loan,
        RequestContext $current,
        KeepPlace $keepPlace,
        RecordReading $record,
    ): JsonResponse {
        $now = CarbonImmutable::now();
        $keepPlace(
            personId: $current->requiredPerson()->id,
            titleId: $loan->title_id,
            device: $request->device(),
            deviceName: $request->deviceName(),
            locator: $request->locator(),
            readAt: $request->readAt($now),
        );
        $record(
            $current->requiredPerson(),
            $loan->title_id,
            $request->reports($now),
            $request->locator()->totalProgression,
            $now,
        );

        return response()->json(null, 204);
    }
}
