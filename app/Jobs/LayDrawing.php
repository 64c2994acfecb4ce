<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Page\PageDesk;
use App\Desk\WorkerProcesses;
use App\Models\Original;
use App\Models\Task;
use App\Store\ChildDecoder;
use App\Store\Originals;
use App\Store\OriginalViews;
use App\Store\PageStore;
use App\Values\Scalar;
use Awning\Core\Codec\CutShort;
use Awning\Core\Codec\Picture;
use Awning\Core\Codec\UnreadableImage;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Ink\CleanScan;
use Awning\Core\Ink\PlacedDrawing;
use Awning\Core\Ink\ScanCleaner;
use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\Drawing\DrawingSource;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Page\Drawing\Placement;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Sheet\InkLayers;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Ink\LayInk;
use Awning\Core\Sheet\Sheet;

/**
 * Reads a drawing's original, cleans it as it is wanted, lays it where it is wanted, finds the regions of all the ink
 * there is then, and lands both as one op. A drawing that is on the page already is cleaned and placed anew.
 */
abstract class LayDrawing extends LongTask
{
    /** What names a drawing, for validation. */
    protected const ID = 'regex:/^[a-z0-9]{6,24}$/D';

    public static function line(): string
    {
        return TaskLine::LONG;
    }

    final protected function work(Task $task): void
    {
        $sheet = new Sheet(new PageStore($task->onPage()));
        $id = is_string($task->input['drawing'] ?? null) ? $task->input['drawing'] : LayInk::FIRST;
        $before = $sheet->find(Drawing::class, $id);
        $original = $this->original($task, $before);
        $this->step($task, 5, 'Reading the drawing');
        $number = $this->number($task, $before);
        $picture = $this->picture($task, $original, $number);
        $this->step($task, 25, 'Cleaning the lines');
        (new OriginalViews)->keep($original, $picture, $number);
        $source = new DrawingSource($original->id, $original->name, $picture->dpi, $number, $picture->pictures);
        $channels = $picture->channels();
        unset($picture);
        $asked = $this->place($task);
        $place = $asked ?? $before?->place;
        $settings = $this->settings($task, $before);
        if ($place?->corners !== null) {
            $settings = $settings->unturned();
        }
        $scan = (new ScanCleaner)->clean($channels, $settings);
        unset($channels);
        $placed = $this->placed($asked, $sheet, $scan, $settings, $source, $before, $id);
        $this->step($task, 55, 'Finding the regions');
        $decided = array_values(LayInk::decided($sheet));
        $flats = FlatsFinder::forDpi($placed->size->dpi)->find(
            (new InkLayers($sheet))->with($id, $placed),
            $decided,
            new WorkerProcesses(2),
        );
        $this->step($task, 80, 'Laying them on the page');
        $isAgain = $before !== null && $before->original === $original->id;
        $op = new LayInk($isAgain ? "Clean {$original->name}" : "Import {$original->name}", $placed, $flats, $id);
        $report = $op->report(new Sheet(new PageStore($task->onPage())));
        (new PageDesk)->land($task, $op);
        $task->say(
            implode(
                ' ',
                array_filter([
                    $source->pictures > 1 && ! $isAgain
                        ? "Picture $number of {$source->pictures} in the file was taken; Place takes another."
                        : '',
                    $report,
                    $flats->isNoise
                        ? 'The page has no lines that could bound anything: it is one region. Drop larger specks, '
                            .'or raise "Paper ends at".'
                        : '',
                    $scan->isNearlyEmpty()
                        ? 'Next to no ink was found. If the drawing is faint, lower "Paper ends at" and "Full ink '
                            .'from".'
                        : '',
                    $scan->edge?->isSure === false
                        ? 'A dark rim was kept as drawn. If it is the desk, straighten the drawing by the sheet\'s '
                            .'corners.'
                        : '',
                ]),
            ),
        );
    }

    private function original(Task $task, ?Drawing $before): Original
    {
        return Original::query()
            ->where('page_id', $task->page_id)
            ->find(Scalar::int($task->input['original'] ?? $before?->original)) ??
            throw new OpRefused('The file this drawing came from is not kept. Import the drawing again.');
    }

    private function settings(Task $task, ?Drawing $before): CleanSettings
    {
        $asked = $task->input['clean'] ?? null;

        return is_array($asked) ? CleanSettings::fromData(new Data($asked)) : $before->clean ?? new CleanSettings;
    }

    private function place(Task $task): ?Placement
    {
        $asked = $task->input['place'] ?? null;

        return is_array($asked) ? Placement::fromData(new Data($asked)) : null;
    }

    private function placed(
        ?Placement $place,
        Sheet $sheet,
        CleanScan $scan,
        CleanSettings $settings,
        DrawingSource $source,
        ?Drawing $before,
        string $id,
    ): PlacedDrawing {
        $page = $sheet->find(PageSize::class, PageSize::KEY);
        [$width, $height] = [$scan->ink->width, $scan->ink->height];
        if ($page !== null && $this->isAlone($sheet, $id)) {
            $isOtherScan =
                $place === null && $before !== null && ($before->width !== $width || $before->height !== $height);
            if ($isOtherScan) {
                // Another scan for the only drawing there is brings its own size.
                $page = $before = null;
            } elseif ($place?->corners !== null && $before?->place->corners === null) {
                // So does a sheet that is cut out of its photograph.
                $page = new PageSize(
                    ...[
                        ...array_map(fn (float $side): int => (int) round($side), $place->sides($width, $height)),
                        $page->dpi,
                    ],
                );
                $place = $place->filling($page);
            }
        }
        try {
            return PlacedDrawing::of($scan, $settings, $source, $page, $place, $before, $this->front($sheet));
        } catch (\InvalidArgumentException $error) {
            throw new OpRefused($error->getMessage(), 0, $error);
        }
    }

    /** Drawings that are new lie in front of all others. */
    private function front(Sheet $sheet): int
    {
        return 1 +
            max([
                -1,
                ...array_map(fn (Drawing $drawing): int => $drawing->order, array_values($sheet->all(Drawing::class))),
            ]);
    }

    /** Which of the pictures in the file. */
    private function number(Task $task, ?Drawing $before): int
    {
        $asked = $task->input['picture'] ?? null;

        return is_int($asked) ? $asked : $before->picture ?? 1;
    }

    /** Whether nothing else is on the page that its size could matter to. */
    private function isAlone(Sheet $sheet, string $id): bool
    {
        return array_diff_key($sheet->all(Drawing::class), [$id => true]) === [] &&
            $sheet->all(InkStroke::class) === [] &&
            $sheet->all(PassSpec::class) === [];
    }

    private function picture(Task $task, Original $original, int $number): Picture
    {
        $originals = new Originals;
        try {
            return $originals->withFile(
                $original,
                fn (string $file): Picture => (new ChildDecoder)->read(
                    $file,
                    fn () => $this->step($task, 5, 'Reading the drawing'),
                    (bool) ($task->input['cut'] ?? false),
                    $number,
                ),
            );
        } catch (CutShort $error) {
            // Kept: the person may say that what is there will do.
            $task->forceFill([
                'question' => [
                    'kind' => 'cut',
                    'share' => (int) floor(100 * $error->share),
                    'original' => $original->id,
                ],
            ]);
            throw $error;
        } catch (UnreadableImage $error) {
            $originals->forget($task);
            throw $error;
        }
    }
}
