<?php

declare(strict_types=1);

namespace App\Demo;

use App\Desk\Page\PageDesk;
use App\Desk\Page\PictureOnBoard;
use App\Desk\Page\ShelfPicture;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Member;
use App\Models\Page;
use App\Models\ReferencePicture;
use App\Models\Role;
use App\Models\Series;
use App\Models\User;
use App\Store\Originals;
use App\Store\OriginalViews;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Flats\FlatsResult;
use Awning\Core\Ink\PlacedDrawing;
use Awning\Core\Ink\ScanCleaner;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\DrawingSource;
use Awning\Core\Sheet\Ops\Flats\FillRegions;
use Awning\Core\Sheet\Ops\Ink\LayInk;
use Illuminate\Support\Str;

/** Loads The Salt Ferry: people, palette, and four pages at four stages of the work. */
final class DemoLoader
{
    private const PEOPLE = [
        ['Mira Vael', 'mira@awning.example', Role::Owner],
        ['Jonne Sark', 'jonne@awning.example', Role::Colourist],
        ['Pell Arrow', 'pell@awning.example', Role::Flatter],
        ['Ida Quill', 'ida@awning.example', Role::Viewer],
    ];

    private const PAGES = [
        1 => 'The lamp is lit',
        2 => 'A stowaway',
        3 => 'Tickets, please',
        4 => 'All aboard',
        5 => 'Fog on the quay',
    ];

    /** @var array<int, array{figure: int, material: int}> by class number in the key picture */
    private array $materials = [];

    /** @param  callable(string): void  $say */
    public function __construct(private $say, private readonly PageDesk $desk = new PageDesk)
    {
    }

    public function load(): void
    {
        if (Series::query()->where('name', 'The Salt Ferry')->exists()) {
            return;
        }
        $series = Series::query()->create(['name' => 'The Salt Ferry', 'light' => '#ffe9c4']);
        $people = [];
        foreach (self::PEOPLE as [$name, $email, $role]) {
            $people[] = $user = User::query()->firstOrCreate(
                ['email' => $email],
                ['name' => $name, 'password' => Str::password(32), 'is_demo' => true],
            );
            Member::query()->create(['series_id' => $series->id, 'user_id' => $user->id, 'role' => $role]);
        }
        $this->palette($series);
        $this->studies($series, $people[0]);
        (new DemoLight($series, $people[0], $this->desk))->plans();
        foreach (self::PAGES as $number => $title) {
            ($this->say)("Drawing page $number of The Salt Ferry: $title");
            $page = Page::query()
                ->create(['series_id' => $series->id, 'number' => $number, 'title' => $title])
                ->refresh();
            $this->page($page, $people[0]);
            // The first thing a visitor sees.
            (new ShelfPicture($page->refresh()))->make();
        }
    }

    private function palette(Series $series): void
    {
        $number = 1;
        $depth = count(Cast::FIGURES);
        foreach (Cast::FIGURES as $name => $materials) {
            $figure = Figure::query()->create(['series_id' => $series->id, 'name' => $name, 'depth' => $depth--]);
            $place = 0;
            foreach ($materials as [$material, $pinned]) {
                $row = Material::query()->create([
                    'figure_id' => $figure->id,
                    'name' => $material,
                    'place' => $place++,
                    'pinned' => $pinned,
                ]);
                $this->materials[$number++] = ['figure' => $figure->id, 'material' => $row->id];
            }
        }
    }

    /** What hangs beside the pages. */
    private function studies(Series $series, User $user): void
    {
        foreach (DemoStudies::all() as $name => $png) {
            $original = (new Originals)->keepBytes($series, $user, $png, $name);
            $reference = ReferencePicture::query()->create([
                'series_id' => $series->id,
                'original_id' => $original->id,
                'name' => $name,
                'x' => 350 * ReferencePicture::query()->where('series_id', $series->id)->count(),
                'y' => 0,
            ]);
            (new Originals)->withFile(
                $original,
                fn (string $file) => (new PictureOnBoard($reference))->show(
                    (new ImageReader)->read($file),
                    static fn () => null,
                ),
            );
        }
    }

    private function page(Page $page, User $user): void
    {
        $scan = new DemoScan(PageArt::all()[$page->number], $page->number);
        $file = (string) tempnam(sys_get_temp_dir(), 'awning');
        file_put_contents($file, $scan->scan());
        $original = (new Originals)->keep($page, $user, $file, sprintf('salt-ferry-p%d-scan.png', $page->number));
        $picture = (new ImageReader)->read($file);
        (new OriginalViews)->keep($original, $picture);
        if ($page->number !== 4) {
            $settings = new CleanSettings(turn: 0.0);
            $clean = (new ScanCleaner)->clean($picture->channels(), $settings);
            $flats = FlatsFinder::forDpi($picture->dpi)->find($clean->ink);
            $this->desk->apply(
                $page,
                $user,
                new LayInk(
                    "Import {$original->name}",
                    PlacedDrawing::of(
                        $clean,
                        $settings,
                        new DrawingSource($original->id, $original->name, $picture->dpi),
                    ),
                    $flats,
                ),
            );
            if ($page->number !== 3) {
                $key = $scan->key();
                $this->fill($page, $user, $flats, $key);
                $light = new DemoLight($page->series, $user, $this->desk);
                match ($page->number) {
                    1 => $light->finish($page, 'Lamp at midnight'),
                    2 => $light->roughIn($page, 'Noon on deck'),
                    default => $light->begin($page, 'Sea fog'),
                };
                (new DemoMood($user, $this->desk))->show($page);
            }
        }
        unlink($file);
    }

    /** Fills each region with the material that most of it shows in the key picture. */
    private function fill(Page $page, User $user, FlatsResult $flats, string $key): void
    {
        $votes = [];
        $labels = $flats->labels;
        for ($y = 1; $y < $labels->height; $y += 3) {
            for ($x = 1; $x < $labels->width; $x += 3) {
                $class = ord($key[$y * $labels->width + $x]);
                $label = $labels->at($x, $y);
                $votes[$label][$class] = ($votes[$label][$class] ?? 0) + 1;
            }
        }
        $fills = [];
        foreach ($flats->regions as $label => $region) {
            $here = $votes[$label] ?? [ord($key[$region->y * $labels->width + $region->x]) => 1];
            unset($here[0]);
            if ($here !== []) {
                arsort($here);
                $fills[array_key_first($here)][] = $label;
            }
        }
        foreach ($fills as $class => $regions) {
            ['figure' => $figure, 'material' => $material] = $this->materials[$class];
            $this->desk->apply($page, $user, new FillRegions($regions, $figure, $material));
        }
    }
}
