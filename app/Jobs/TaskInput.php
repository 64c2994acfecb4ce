<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\SeriesOps\OpInput;
use App\Models\Original;
use App\Models\Page;
use App\Models\ReferencePicture;
use App\Models\Series;
use App\Models\User;
use App\Store\Originals;
use App\Store\SentPicture;
use Awning\Core\Codec\UnreadableImage;
use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Page\Data;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\ValidatedInput;
use Illuminate\Validation\ValidationException;

/** What a window sent with the wish for long work: checked by the task's rules, and what it names looked up. */
final readonly class TaskInput
{
    /** Looks things up in the series. */
    public OpInput $series;

    /** @param  array<array-key, mixed>  $data  as it was sent, files among it */
    public function __construct(
        private Page|Series $of,
        private User $user,
        private array $data,
        private Originals $originals,
    ) {
        $this->series = new OpInput($of instanceof Page ? $of->series : $of, $user, $data);
    }

    public function page(): Page
    {
        return $this->of instanceof Page ? $this->of : throw new \LogicException('This work is of a series.');
    }

    public function has(string $field): bool
    {
        return $this->series->has($field);
    }

    /**
     * @param  array<string, mixed>  $rules
     *
     * @throws ValidationException
     */
    public function checked(array $rules): ValidatedInput
    {
        return $this->series->checked($rules);
    }

    /**
     * The file that was sent in a field, kept. Only its first bytes are looked at here; whatever decodes it does so in
     * a process of its own.
     *
     * @throws UnreadableImage|ValidationException
     */
    public function file(string $field): Original
    {
        $this->checked([$field => SentPicture::rule()]);
        $file = $this->data[$field] ?? null;
        assert($file instanceof UploadedFile);
        SentPicture::check($file->path());

        return $this->originals->keep($this->of, $this->user, $file->path(), $file->getClientOriginalName());
    }

    /**
     * A picture that hangs on the series' board, or one that was sent.
     *
     * @return array{reference: int, name: string}|array{original: int, name: string}
     *
     * @throws UnreadableImage|ValidationException
     */
    public function picture(): array
    {
        if ($this->has('reference')) {
            $id = $this->checked(['reference' => 'integer'])->integer('reference');
            $reference = ReferencePicture::query()->where('series_id', $this->series->series->id)->findOrFail($id);

            return ['reference' => $reference->id, 'name' => $reference->name];
        }
        $original = $this->file('picture');

        return ['original' => $original->id, 'name' => $original->name];
    }

    /** @throws ValidationException */
    public function lightPlan(): LightPlan
    {
        $plan = $this->checked(['plan' => 'required|array'])->array('plan');

        return $this->series->built('plan', fn (): LightPlan => LightPlan::fromData(new Data($plan)));
    }
}
