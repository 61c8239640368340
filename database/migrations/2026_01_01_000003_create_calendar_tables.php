<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('calendars', function (Blueprint $table): void {
            $table->id();
            $table->string('slug', 80)->unique();
            $table->string('name', 120);
            $table->string('description', 2000)->default('');
            $table->string('colour', 20);
            $table->string('mark', 20);
            $table->string('timezone', 64);
            $table->string('keeper_kind', 10);
            $table->unsignedBigInteger('keeper_id');
            $table->foreignId('created_by')->nullable()->constrained('people')->nullOnDelete();
            $table->unsignedInteger('version')->default(1);
            // Grows with every change of the calendar or its events: what an ETag of its contents is made of.
            $table->unsignedBigInteger('revision')->default(1);
            $table->timestamp('revised_at')->useCurrent();
            $table->timestamps();
            $table->softDeletes();
            $table->index(['keeper_kind', 'keeper_id']);
        });
        Schema::create('categories', function (Blueprint $table): void {
            $table->id();
            // Null: common to the organisation.
            $table->foreignId('calendar_id')->nullable()->constrained('calendars')->cascadeOnDelete();
            $table->string('name', 80);
            // Whether a day with an event of this category is a closed day.
            $table->boolean('closes_day')->default(false);
            $table->timestamps();
            $table->index(['calendar_id', 'name']);
        });
        Schema::create('grants', function (Blueprint $table): void {
            $table->id();
            $table->string('on_kind', 10);
            $table->unsignedBigInteger('on_id');
            $table->string('subject_kind', 10);
            // 0 for everyone and the public, which have no id, so that the unique index holds for them too.
            $table->unsignedBigInteger('subject_id')->default(0);
            $table->string('level', 12);
            $table->foreignId('given_by')->nullable()->constrained('people')->nullOnDelete();
            $table->timestamps();
            $table->unique(['on_kind', 'on_id', 'subject_kind', 'subject_id']);
            $table->index(['subject_kind', 'subject_id', 'on_kind']);
        });
        Schema::create('changes', function (Blueprint $table): void {
            $table->id();
            // Null: access, people or overlays, which concern everybody's lists.
            $table->foreignId('calendar_id')->nullable()->index();
            $table->timestamp('created_at')->useCurrent()->index();
        });
    }
};
