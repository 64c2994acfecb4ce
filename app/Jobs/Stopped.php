<?php

declare(strict_types=1);

namespace App\Jobs;

final class Stopped extends \RuntimeException
{
}
