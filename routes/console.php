<?php

use App\Actions\AdmitPerson;
use App\Actions\ExamineSeals;
use App\Actions\HoldSeals;
use App\Actions\MakePack;
use App\Actions\SealSubject;
use App\Actions\ServePacks;
use App\Http\Controllers\OpenApiController;
use App\Models\Invitation;
use App\Models\Line;
use App\Models\Pack;
use App\Models\ProcedureText;
use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Procedure\Procedure;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

Artisan::command('procedures:ship', function () {
    foreach (Procedure::shipped() as $procedure) {
        ProcedureText::freeze($procedure);
    }
})->purpose('Freeze the procedures and methods that ship with this version; what lines use already stays as it is');

Artisan::command('api:document', function (Registry $registry) {
    $this->output->write(
        json_encode(
            OpenApiController::document($registry),
            JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR,
        ),
        false,
        32,
    );
})->purpose('Print the OpenAPI document');

Artisan::command('people:first', function (AdmitPerson $admit) {
    // A link that was printed before and not followed may have been read by somebody: it goes.
    Invitation::open()->where('makes_admin', true)->whereNull('invited_by')->update(['used_at' => now()]);
    [, $token] = $admit->invite(null, ['makes_admin' => true]);
    $this->output->writeln("/invited/{$token}");
})->purpose('Print a link that makes the first administrator of an empty organisation');

Artisan::command('packs:serve {--as=diastoma}', function (ServePacks $serve) {
    $this->trap([SIGTERM, SIGINT], fn () => $serve->end());
    $serve((string) $this->option('as'));
})->purpose('Have made what people ask for and do not wait for: record books, archives, packs of long sections');

Artisan::command('packs:make {pack} {--as=diastoma}', function (MakePack $make, string $pack) {
    // How far it is, is seen by others while all that goes into it is read as it stood at one moment.
    $told = Pack::on('beside')->findOrFail($pack);
    DB::unprepared('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');
    DB::unprepared('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY');
    $asOf = now()->toImmutable();
    $told->update(['as_of' => $asOf]);
    $made = $make(Pack::query()->findOrFail($pack), $asOf, function (int $done, int $total) use ($told): void {
        $told->update(['done' => $done, 'total' => $total, 'beat_at' => now()]);
    });
    $told->isMade($made);
})->purpose('Make one of them');

Artisan::command('seals:examine {line} {--as=diastoma}', function (string $line) {
    DB::unprepared('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');
    DB::unprepared('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY');
    HoldSeals::now(Line::query()->findOrFail($line), now(), 'beside');
})->purpose('Hold all seals of a long line, for who looks at its register');

Artisan::command('seals:check', function () {
    $isWhole = true;
    foreach (Line::query()->orderBy('name')->lazy(50) as $line) {
        $head = SealSubject::head($line);
        if ($head === null) {
            continue;
        }
        $broken = ExamineSeals::broken($line, readsPhotos: true);
        $isWhole = $isWhole && $broken === [];
        $this->output->writeln("{$line->name}: {$head['seals']} seals, ".($broken === [] ? "unbroken, head {$head['hash']}" : 'BROKEN'));
        foreach ($broken as $what) {
            $this->output->writeln("  {$what}");
        }
    }

    return $isWhole ? 0 : 1;
})->purpose('Hold every seal of every line against what stands in the database and in the photos');
