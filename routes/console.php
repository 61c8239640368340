<?php

use App\Api\Description;
use App\Api\Words;
use App\Directory\Person;
use App\Directory\WelcomeLink;
use App\Following\SendDigests;
use App\Following\TellFollowers;
use App\Following\TellFollowersSoon;
use App\Jobs\JobRunner;
use App\Letters\Mailing;
use App\Occurrences\RollHorizon;
use App\Occurrences\VerifyOccurrences;
use App\Organisation\Organisation;
use App\Outbox\SendDueLetters;
use App\Outbox\SendOutbox;
use App\Pins\LayAskedPins;
use App\Preparation\TellDueTasks;
use App\Publishing\Kept\CountReads;
use App\Reminders\DueReminders;
use App\Sources\RefreshSource;
use App\Sources\Source;
use App\Upkeep\Doctor;
use App\Upkeep\Heartbeats;
use App\Upkeep\Part;
use App\Upkeep\Tidy;
use Database\Seeders\Demo\DemoSeeder;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Schedule;
use Illuminate\Support\Facades\Validator;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;

Artisan::command('rota:refresh-sources', function (): void {
    Source::query()->where('next_refresh_at', '<=', now())->orderBy('next_refresh_at')->limit(500)
        ->pluck('id')->each(fn (int $id) => RefreshSource::dispatch($id));
})->purpose('Queues a refresh of every source that is due');

Artisan::command('rota:remind', function (DueReminders $reminders, TellDueTasks $tasks): void {
    $this->info($reminders->run().' reminders, and '.$tasks->run().' people who may have something to prepare');
})->purpose('Sends reminders whose moment has come');

Artisan::command('rota:tell-followers', function (TellFollowers $followers, SendDigests $digests): void {
    $this->info($followers->run().' people told what changed, and '.$digests->run().' digests');
})->purpose('Tells those who follow it what has changed, and puts digests together whose moment has come');

Artisan::command('rota:send-letters', function (SendOutbox $outbox): void {
    $this->info($outbox->run().' letters sent');
})->purpose('Sends letters that are due');

Artisan::command('rota:resume-jobs', function (JobRunner $runner): void {
    $this->info($runner->resume().' jobs taken up again');
})->purpose('Takes up long work that was broken off');

Artisan::command('rota:roll-horizon', function (RollHorizon $roll): void {
    $this->info($roll->roll().' times added at the edge of the index');
})->purpose('Moves the horizon of the occurrence index along with today');

Artisan::command('rota:rebuild-occurrences', function (RollHorizon $roll): void {
    $this->info($roll->rebuild().' events laid anew');
})->purpose('Lays the whole occurrence index anew');

Artisan::command('rota:verify-occurrences', function (VerifyOccurrences $verify): int {
    $differences = 0;
    foreach ($verify->differences() as $difference) {
        $this->line($difference);
        $differences++;
    }
    $this->info($differences === 0 ? 'The index holds what the core says' : "{$differences} differences; rota:rebuild-occurrences lays it anew");

    return $differences === 0 ? 0 : 1;
})->purpose('Holds the occurrence index against the core');

Artisan::command('rota:show-asked', function (LayAskedPins $pins): void {
    $this->info($pins->run().' events shown to those who are asked to them');
})->purpose('Has events show to those who are asked to them and may see their calendar no longer, or as well');

Artisan::command('rota:tidy', function (Tidy $tidy): void {
    foreach ($tidy->run() as $what => $count) {
        $this->info("{$count} {$what}");
    }
})->purpose('Ends what has had its life: old deleted events, operations, change marks, files (see rota.keep)');

Artisan::command('rota:demo {--empty : one administrator, and nothing else}', function (DemoSeeder $seeder): int {
    if (! config('rota.demo.enabled')) {
        $this->error('This is no demo (ROTA_DEMO).');

        return 1;
    }
    if ($this->option('empty')) {
        $this->info($seeder->layEmpty() ? 'An organisation with one administrator is laid' : 'There are people already');

        return 0;
    }
    $this->info($seeder->lay() ? 'The demo school is laid' : 'The demo school is there already');

    return 0;
})->purpose('Fills the empty database of a demo with the demo school');

Artisan::command('rota:add-person {name} {email} {--administrator} {--link : prints a link to set a password, instead of asking for one}', function (Organisation $organisation, string $name, string $email): int {
    $byLink = (bool) $this->option('link');
    $input = Validator::make(compact('name', 'email') + ($byLink ? [] : ['password' => (string) $this->secret('A password of at least 10 characters')]), [
        'name' => ['required', 'max:120'], 'email' => ['required', 'email', 'max:190', 'unique:people'], 'password' => ['sometimes', 'required', 'min:10'],
    ]);
    if ($input->fails()) {
        $this->error(implode("\n", $input->errors()->all()));

        return 1;
    }
    $person = Person::query()->create($input->validated() + [
        'timezone' => $organisation->timezone(), 'role' => $this->option('administrator') ? 'administrator' : 'member', 'status' => 'active', 'post' => '',
    ]);
    $this->line($byLink ? WelcomeLink::to($person) : "{$name} can sign in now.");

    return 0;
})->purpose('Adds a person, such as the first one of a new site');

Artisan::command('rota:doctor {--mail= : an address to which a letter is sent}', function (Doctor $doctor): int {
    $found = 0;
    foreach ($doctor->findings() as $finding) {
        $this->warn($finding->what);
        $this->line("  {$finding->remedy}");
        $found++;
    }
    $address = $this->option('mail');
    if (is_string($address)) {
        try {
            Mail::raw('Letters of Pinned Rota arrive.', fn ($message) => $message->to($address)->subject('A letter from rota:doctor'));
            $this->line(Mailing::isSetUp() ? "A letter is on its way to {$address}." : 'A letter is kept in storage/logs.');
        } catch (TransportExceptionInterface $problem) {
            $this->warn("The mail server took no letter: {$problem->getMessage()}");
            $found++;
        }
    }

    return $found === 0 ? 0 : 1;
})->purpose('Looks the installation over, and says what is wrong and what to do; silent where nothing is');

Artisan::command('rota:link {address}', function (string $address): int {
    $person = Person::query()->where('email', $address)->where('status', 'active')->first();
    if ($person === null) {
        $this->error("Nobody who may sign in has the address “{$address}”.");

        return 1;
    }
    // What is printed is a key to the account: nothing but it, so that it can be passed on.
    $this->line(WelcomeLink::to($person));

    return 0;
})->purpose('Prints a link by which somebody sets a password, such as where no mail is set up');

Artisan::command('rota:openapi', function (Description $description): void {
    $this->output->write($description->json()."\n", false, Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW);
})->purpose('Prints the OpenAPI description of the API');

Artisan::command('rota:words', function (Words $words): void {
    $this->output->write($words->typeScript(), false, Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW);
})->purpose('Prints what the front end says of levels and the like, as TypeScript');

Schedule::call(fn (Heartbeats $heartbeats) => $heartbeats->look(Part::Schedule))->everyMinute();
Schedule::command('rota:refresh-sources')->everyMinute();
Schedule::command('rota:resume-jobs')->everyMinute();
Schedule::job(new SendDueLetters)->everyMinute();
Schedule::command('rota:remind')->everyMinute();
Schedule::job(new TellFollowersSoon)->everyMinute();
Schedule::call(fn (CountReads $reads) => $reads->run())->everyTenMinutes();
Schedule::command('rota:roll-horizon')->dailyAt('03:10');
Schedule::command('rota:show-asked')->dailyAt('03:25');
Schedule::command('rota:tidy')->dailyAt('03:40');
