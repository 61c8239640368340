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
            $table->string('password');
            $table->string('timezone', 64);
            $table->string('role', 20)->default('member');
            $table->string('status', 20)->default('active');
            // What the person does, in a few words, shown where people are chosen.
            $table->string('post', 120)->default('');
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
    }
};
