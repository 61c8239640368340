<?php

namespace App\Overlays;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Api\WindowGet;
use App\Organisation\Organisation;
use App\Organisation\SchoolYearData;
use App\Organisation\TermData;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Overlay\Grouping;
use PinnedRota\Core\Time\LocalDateTime;

final class SheetController
{
    public function __construct(private readonly SheetReader $reader, private readonly RulerReader $rulers, private readonly CurrentViewer $viewer, private readonly Closures $closures, private readonly Organisation $organisation)
    {
    }

    #[WindowGet(path: '/sheet', operationId: 'getSheet', summary: 'What is on in a window, through an overlay, one calendar, or all one may see.',
        more: [
            new OA\QueryParameter(name: 'group', required: false, description: 'By what the rows of lanes are told apart', schema: new OA\Schema(type: 'string', enum: Grouping::class)),
        ],
        responses: [new Answers(SheetData::class, 'The sheet')])]
    public function sheet(SheetRequest $request): JsonResponse
    {
        $query = $request->sheetQuery($this->viewer);
        $perspective = $this->viewer->perspective($request->as());
        $sheet = $this->reader->read($perspective, $query);
        $closed = $this->closures->with($sheet->closed, $perspective, $query);
        $year = $this->organisation->settings()->year();
        [$from, $to] = [$query->from->toDate(), $query->to->toDate()];
        $calendars = $this->viewer->calendars();
        $slugs = $calendars->map(fn ($each): string => $each->calendar->slug)->all();

        return new JsonResponse(new SheetData(
            layers: array_map(static fn (DrawnLayer $layer): SheetLayerData => SheetLayerData::of($layer, $calendars, $sheet->readOnly), $sheet->layers),
            rows: array_map(static fn (SheetRow $row): SheetRowData => SheetRowData::of($row, $calendars, $sheet->readOnly), $sheet->rows),
            items: array_map(static fn (SheetItem $item): SheetItemData => $item->tell($query->zone, $slugs), $sheet->items),
            categories: array_map(static fn (string $name, int $count): CategoryCountData => new CategoryCountData($name, $count), array_map(strval(...), array_keys($sheet->categories)), array_values($sheet->categories)),
            closed: array_map(static fn (int $day, string $title): ClosedDayData => new ClosedDayData(self::date($day), $title), array_keys($closed), array_values($closed)),
            weeks: SchoolWeekData::list($year->weeksBetween($query->from->day(), $query->to->day())),
            terms: array_values(array_filter(SchoolYearData::of($year)->terms, static fn (TermData $term): bool => $term->from < $to && $term->to >= $from)),
            colours: $sheet->colours,
        ));
    }

    #[WindowGet(path: '/ruler', operationId: 'getRuler', summary: 'How full each day of a window is, and which are closed.',
        responses: [new Answers(RulerData::class, 'Counts by day')])]
    public function ruler(SheetRequest $request): JsonResponse
    {
        $perspective = $this->viewer->perspective($request->as());
        $query = $request->sheetQuery($this->viewer);
        [$loads, $closed] = $this->rulers->read($perspective, $query);
        $weeks = $this->organisation->settings()->year()->weeksBetween($query->from->day(), $query->to->day());

        return new JsonResponse(new RulerData($request->from()->toDate(), $loads, array_map(self::date(...), array_keys($this->closures->with($closed, $perspective, $query))), SchoolWeekData::list($weeks)));
    }

    private static function date(int $day): string
    {
        return LocalDateTime::midnight($day)->toDate();
    }
}
