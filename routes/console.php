<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Schedule;

Schedule::command('awning:sweep')->daily();
Schedule::command('awning:sweep --temporary')->hourly();
Schedule::command('awning:journal --free')->daily();
