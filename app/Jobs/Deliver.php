<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\Deliveries\DeliveryKinds;
use App\Desk\Page\PageMoment;
use App\Desk\Page\PagePicture;
use App\Models\Page;
use App\Models\Task;
use App\Store\NotKept;
use App\Store\WholeFile;
use App\Values\Scalar;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\RecordKind;
use Awning\Core\Sheet\OpRefused;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;

/** Writes the page as a file to take away: always a new one, at full size. */
final class Deliver extends LongTask implements ClientTask
{
    public static function kind(): string
    {
        return 'deliver';
    }

    public static function right(): string
    {
        return 'view';
    }

    public static function holding(): Holding
    {
        return Holding::Any;
    }

    public static function asked(TaskInput $asked): array
    {
        $input = $asked->checked(['format' => ['required', Rule::in(DeliveryKinds::formats())]]);

        return ['format' => $input->string('format')->toString()];
    }

    public static function line(): string
    {
        return TaskLine::QUICK;
    }

    protected function work(Task $task): void
    {
        $delivery = DeliveryKinds::of(Scalar::string($task->input['format']));
        $this->step($task, 5, 'Composing the page');
        $moment = PageMoment::of($task->onPage());
        $size = $moment->page->record(RecordKind::Page, PageSize::KEY);
        $dpi = $size instanceof PageSize ? $size->dpi : throw new OpRefused('The page is empty. Import a scan first.');
        $picture = $delivery::needsPicture()
            ? PagePicture::full(
                $moment,
                fn (float $share) => $this->step($task, 5 + (int) (55 * $share), 'Composing the page'),
            )
            : null;
        $this->step($task, 65, 'Writing the file');
        $file = sys_get_temp_dir().'/awning-'.Str::random(20);
        try {
            $delivery->write($file, $moment, $picture, $dpi);
            $this->put($task, $file, $moment->revision, $delivery::ending());
        } finally {
            @unlink($file);
        }
    }

    private function put(Task $task, string $file, int $revision, string $ending): void
    {
        $path = $this->path($task->onPage(), $ending);
        $contents = fopen($file, 'r') ?: throw new NotKept('The delivery could not be read again. Try once more.');
        (new WholeFile(Storage::disk('works')))->put($path, $contents, (int) filesize($file));
        $task
            ->forceFill(['result_path' => $path, 'result_name' => $this->name($task->onPage(), $revision, $ending)])
            ->save();
    }

    private function path(Page $page, string $ending): string
    {
        return sprintf('deliveries/%d/%s.%s', $page->id, Str::lower((string) Str::ulid()), $ending);
    }

    private function name(Page $page, int $revision, string $format): string
    {
        return sprintf('%s-p%02d-r%d.%s', Str::slug($page->series->name), $page->number, $revision, $format);
    }
}
