<?php

use App\Models\Line;
use Database\Demo\Demo;

// Tests that run side by side have a data folder each, as Laravel gives each a database.
$token = getenv('TEST_TOKEN');
if (is_string($token) && $token !== '' && is_string(getenv('DIASTOMA_HOME'))) {
    $home = getenv('DIASTOMA_HOME')."/storage/testing-{$token}";
    is_dir($home) || mkdir($home, 0o770, true);
    touch("{$home}/.env");
    putenv("DIASTOMA_HOME={$home}");
    $_ENV['DIASTOMA_HOME'] = $_SERVER['DIASTOMA_HOME'] = $home;
}

uses(Tests\TestCase::class)->in('Feature', 'Fuzz/RoutesTest.php');

/** A sound joint of PVC, as a joiner records it. */
/** @param  array<string, mixed>  $more  that goes with each fact */
function recordPvcJoint(object $test, string $jointId, array $more = []): void
{
    foreach (Demo::pvcFacts(['a' => '1', 'b' => '2']) as [$step, $value]) {
        $test->record('joiner', "subjects/joint/{$jointId}", $step, $value, $more)->assertCreated();
    }
}

function picture(int $width = 40, int $height = 30): string
{
    ob_start();
    imagepng(imagecreatetruecolor($width, $height));

    return (string) ob_get_clean();
}

/** @return array{Line, list<string>} a line, and its joints, which are signed and sealed */
function sealedLine(object $test): array
{
    $made = $test->makeLine();
    $joints = array_column($made['joints'], 'id');
    foreach ($joints as $joint) {
        recordPvcJoint($test, $joint);
        $test->record('inspector', "subjects/joint/{$joint}", 'accept', ['signed' => true])->assertCreated();
    }

    return [Line::query()->findOrFail($made['id']), $joints];
}
