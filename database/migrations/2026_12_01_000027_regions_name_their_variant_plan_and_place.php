<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    private const NAMES = ['wears' => 'variant', 'before' => 'in_front', 'stands' => 'plan'];

    public function up(): void
    {
        $this->rename(self::NAMES);
    }

    public function down(): void
    {
        $this->rename(array_flip(self::NAMES));
    }

    /** @param  array<string, string>  $names */
    private function rename(array $names): void
    {
        Schema::table('regions', function (Blueprint $table) use ($names): void {
            foreach ($names as $from => $to) {
                $table->renameColumn($from, $to);
            }
        });
    }
};
