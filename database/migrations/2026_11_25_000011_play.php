<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Sound and video beside text: a publication that plays has parts. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('publications', function (Blueprint $table): void {
            $table->jsonb('parts')->nullable()->comment('[{path, type, name, seconds, captions: [{path, language, label}]}] in the order in which they play');
            $table->jsonb('excerpt_parts')->nullable()->comment('the same of the excerpt');
        });
    }
};
