<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('overlays', function (Blueprint $table): void {
            $table->id();
            $table->string('slug', 80)->unique();
            $table->string('name', 120);
            $table->string('opening_view', 10)->default('lanes');
            $table->string('keeper_kind', 10);
            $table->unsignedBigInteger('keeper_id');
            // Whether an event shows in every layer that takes it, instead of in the first.
            $table->boolean('every_layer')->default(false);
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
            $table->softDeletes();
            $table->index(['keeper_kind', 'keeper_id']);
        });
        Schema::create('layers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('overlay_id')->constrained('overlays')->cascadeOnDelete();
            $table->unsignedInteger('position');
            $table->string('name', 120);
            $table->string('colour', 20);
            $table->string('mark', 20);
            $table->string('pattern', 10)->default('plain');
            $table->json('filter');
            // chosen calendars; all on the viewer's list; those of a group; the rest.
            $table->string('takes', 10)->default('chosen');
            $table->foreignId('group_id')->nullable()->constrained('groups')->nullOnDelete();
            $table->unique(['overlay_id', 'position']);
        });
        Schema::create('calendar_layer', function (Blueprint $table): void {
            $table->foreignId('layer_id')->constrained('layers')->cascadeOnDelete();
            $table->foreignId('calendar_id')->constrained('calendars')->cascadeOnDelete();
            $table->primary(['layer_id', 'calendar_id']);
        });
    }
};
