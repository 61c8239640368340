<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('people', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 120);
            $table->string('email', 190)->unique();
            // Null until the person has come in for the first time.
            $table->string('password')->nullable();
            $table->string('timezone', 64);
            $table->string('role', 20)->default('member');
            $table->string('status', 20)->default('active');
            // What the person does, in a few words, shown where people are chosen.
            $table->string('post', 120)->default('');
            $table->json('working_hours')->nullable();
            $table->timestamp('invited_at')->nullable();
            $table->rememberToken();
            $table->timestamps();
        });
        Schema::create('groups', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 120)->unique();
            $table->timestamps();
        });
        Schema::create('group_person', function (Blueprint $table): void {
            $table->foreignId('group_id')->constrained('groups')->cascadeOnDelete();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->primary(['group_id', 'person_id']);
            $table->index('person_id');
        });
        Schema::create('group_group', function (Blueprint $table): void {
            $table->foreignId('group_id')->constrained('groups')->cascadeOnDelete();
            $table->foreignId('member_id')->constrained('groups')->cascadeOnDelete();
            $table->primary(['group_id', 'member_id']);
            $table->index('member_id');
        });
        Schema::create('rooms', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 120)->unique();
            $table->timestamps();
        });
        Schema::create('password_reset_tokens', function (Blueprint $table): void {
            $table->string('email', 190)->primary();
            $table->string('token');
            $table->timestamp('created_at')->nullable();
        });
    }
};
