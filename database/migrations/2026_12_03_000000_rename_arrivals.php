<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::rename('arrivals', 'archive_imports');
    }

    public function down(): void
    {
        Schema::rename('archive_imports', 'arrivals');
    }
};
