<?php

declare(strict_types=1);

namespace App\Providers;

use Illuminate\Database\QueryException;
use Illuminate\Log\Logger;
use Monolog\Logger as Monolog;
use Monolog\LogRecord;
use Throwable;

/** Keeps what people painted out of the log: a failed insert of tiles would write megabytes of it. */
final class ShortLines
{
    private const LONGEST = 2000;

    public function __invoke(Logger $logger): void
    {
        $monolog = $logger->getLogger();
        if ($monolog instanceof Monolog) {
            $monolog->pushProcessor(self::shorten(...));
        }
    }

    public static function shorten(LogRecord $record): LogRecord
    {
        $context = $record->context;
        $error = $context['exception'] ?? null;
        if ($error instanceof Throwable) {
            $context['exception'] = self::described($error);
        }

        return $record->with(
            message: self::short($error instanceof QueryException ? self::described($error) : $record->message),
            context: $context,
        );
    }

    /** An error with its place, without what was bound to a query. */
    private static function described(Throwable $error): string
    {
        $says =
            $error instanceof QueryException
                ? $error->getPrevious()?->getMessage().' in: '.$error->getSql()
                : $error->getMessage();
        $lines = array_slice(explode("\n", $error->getTraceAsString()), 0, 12);

        return $error::class.
            ': '.
            self::short($says).
            " at {$error->getFile()}:{$error->getLine()}\n".
            implode("\n", array_map(fn (string $line): string => mb_strcut($line, 0, 300), $lines));
    }

    private static function short(string $text): string
    {
        return strlen($text) <= self::LONGEST ? $text : mb_strcut(mb_scrub($text), 0, self::LONGEST).' …';
    }
}
