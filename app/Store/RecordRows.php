<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\KeepsRecord;
use Awning\Core\Page\Record;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Query\Builder;

/** Records that are a row each. */
final readonly class RecordRows implements RecordKeeper
{
    private const BATCH = 1000;

    /** @param  class-string<Model&KeepsRecord>  $model */
    public function __construct(private string $model)
    {
    }

    public function all(int $page): array
    {
        return $this->read($this->of($page)->orderBy($this->model::keyColumn()));
    }

    public function some(int $page, array $keys): array
    {
        $records = [];
        foreach (array_chunk($keys, self::BATCH) as $chunk) {
            $records += $this->read($this->of($page)->whereIn($this->model::keyColumn(), $chunk));
        }

        return $records;
    }

    /** @return array<array-key, Record> by key */
    private function read(Builder $rows): array
    {
        $column = $this->model::keyColumn();
        $records = [];
        foreach ($rows->get() as $row) {
            /** @var array-key $key */
            $key = $row->$column;
            $records[$key] = $this->model::recordOf($row);
        }

        return $records;
    }

    public function find(int $page, int|string $key): ?Record
    {
        // No key has other characters, and the database compares no others with one.
        $row = mb_check_encoding((string) $key, 'ASCII')
            ? $this->of($page)->where($this->model::keyColumn(), $key)->first()
            : null;

        return $row === null ? null : $this->model::recordOf($row);
    }

    public function put(int $page, array $records): void
    {
        $column = $this->model::keyColumn();
        $rows = [];
        foreach ($records as $key => $record) {
            $rows[] = ['page_id' => $page, $column => $key] + $this->model::rowOf($record);
        }
        foreach (array_chunk($rows, self::BATCH) as $chunk) {
            $this->model::query()
                ->toBase()
                ->upsert($chunk, ['page_id', $column]);
        }
    }

    public function remove(int $page, array $keys): void
    {
        foreach (array_chunk($keys, self::BATCH) as $chunk) {
            $this->of($page)->whereIn($this->model::keyColumn(), $chunk)->delete();
        }
    }

    private function of(int $page): Builder
    {
        return $this->model::query()->toBase()->where('page_id', $page);
    }
}
