<?php

declare(strict_types=1);

use Diastoma\Core\Procedure\Example;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;
use Diastoma\Core\Seal\SealKey;
use Diastoma\Core\Seal\Statement;
use Diastoma\Core\Seal\VerifyRecord;

require_once __DIR__.'/helpers.php';

/* A record that was given out is held against its seal without the server, and whoever distrusts the server finds what was changed. */

/** The seed and public key of test 1 of RFC 8032, 7.1. */
const SEED = '9d61b19deffd5a60ba844af492ec2cc44449c5697b326919703bac031cae7f60';
const PUBLIC_KEY = 'd75a980182b10ab7d54bfed3c964073a0ee172f3daa62325af021a68f707511a';

function testKey(): SealKey
{
    return SealKey::of(base64_encode((string) hex2bin(SEED)));
}

/** @return array<string, mixed> a joint that is sealed, as it is given out */
function sealedRecord(): array
{
    $example = Example::shipped()['pvc-spigot-socket'];
    $facts = array_map(fn ($fact) => [
        'id' => $fact->id,
        'step' => $fact->step,
        'value' => $fact->value,
        'typed' => $fact->value,
        'at' => $fact->at->format('Y-m-d\TH:i:sP'),
        'received' => $fact->at->format('Y-m-d H:i:s').'.123',
        'by' => $fact->by,
        'role' => $fact->role,
        'supersedes' => null,
        'reason' => null,
    ], $example->facts());
    $procedure = json_decode((string) json_encode($example->procedure->text), true);
    $known = json_decode((string) json_encode($example->line()), true);
    $statement = Statement::of(
        1,
        Statement::NOTHING,
        ['name' => 'Tansy Row main', 'pipe' => $example->line()],
        ['type' => 'joint', 'number' => '7', 'chainage_m' => 84.0],
        Procedure::hash($procedure),
        $facts,
        [['id' => 'p1', 'step' => 'seen', 'sha256' => str_repeat('a', 64)]],
        $example->judged()->verdict->value,
        ['name' => 'Ruben Vasey', 'role' => 'inspector'],
        '2026-05-04 10:00:00.000',
        $known,
    );

    return [
        'format' => 'diastoma-record-2',
        'procedure' => $procedure,
        'frozen' => Procedure::hash($procedure),
        'line' => $known,
        'facts' => $facts,
        'now' => '2026-05-05T08:00:00+02:00',
        'seal' => [
            'statement' => $statement->text(),
            'hash' => Statement::hash($statement->text()),
            'signature' => testKey()->sign($statement->text()),
            'public_key' => testKey()->publicKey(),
        ],
    ];
}

it('signs as RFC 8032 has it, and knows no other signature', function () {
    $key = testKey();
    expect(bin2hex((string) base64_decode($key->publicKey(), true)))
        ->toBe(PUBLIC_KEY)
        // Test 1: the empty message.
        ->and(bin2hex((string) base64_decode($key->sign(''), true)))
        ->toBe(
            'e5564300c360ac729086e2cc806e828a84877f1eb8e5d974d873e06522490155'.
                '5fb8821590a33bacc61e39701cf9b46bd25bf5f0595bbe24655141438e7a100b',
        );
    $signed = $key->sign('good');
    expect(SealKey::isSigned('good', $signed, $key->publicKey()))
        ->toBeTrue()
        ->and(SealKey::isSigned('bad', $signed, $key->publicKey()))
        ->toBeFalse()
        ->and(SealKey::isSigned('good', $signed, SealKey::of(base64_encode(str_repeat('x', 32)))->publicKey()))
        ->toBeFalse();
    foreach (['', 'x', '%%%', base64_encode('short'), substr($signed, 0, -4)] as $no) {
        expect(SealKey::isSigned('good', $no, $key->publicKey()))->toBeFalse()->and(SealKey::isSigned('good', $signed, $no))->toBeFalse();
    }
    expect(fn () => SealKey::of(''))
        ->toThrow(Refused::class, 'SEAL_KEY')
        ->and(fn () => SealKey::of('c2hvcnQ='))
        ->toThrow(Refused::class, '32 bytes');
});

it('holds where nothing was changed, also when the file went through other hands', function () {
    $record = sealedRecord();
    expect(VerifyRecord::of($record))
        ->toMatchArray(['holds' => true, 'found' => [], 'key' => 'of the file'])
        ->and(VerifyRecord::of($record, [testKey()->publicKey()])['holds'])
        ->toBeTrue();
    // Keys in another order, numbers written otherwise: the same record.
    $turned = json_decode((string) json_encode(array_reverse($record, true)), true);
    $turned['facts'] = array_map(fn (array $fact) => array_reverse($fact, true), $turned['facts']);
    expect(VerifyRecord::of($turned)['holds'])->toBeTrue();
});

it('names what was changed in a record that was given out', function (Closure $change, string $says) {
    $record = sealedRecord();
    $change($record);
    $said = VerifyRecord::of($record, [testKey()->publicKey()]);
    expect($said['holds'])->toBeFalse()->and(implode("\n", $said['found']))->toContain($says);
})->with([
    'a figure' => [function (array &$r): void {
        $r['facts'][2]['value'] = ['length_mm' => 99];
    }, 'holds something else than was sealed.'],
    'what was typed' => [function (array &$r): void {
        $r['facts'][2]['typed'] = ['x' => 1];
    }, 'holds something else than was sealed.'],
    'the time' => [function (array &$r): void {
        $r['facts'][0]['at'] = '2026-05-04T09:00:00+02:00';
    }, 'its time of recording was 2026-05-04T08:'],
    'the time of arrival' => [function (array &$r): void {
        $r['facts'][0]['received'] = '2026-05-09 08:00:00.000';
    }, 'its time of arrival was'],
    'the person' => [function (array &$r): void {
        $r['facts'][0]['by'] = 'Somebody else';
    }, 'its person was Bram Ivesley, and is Somebody else.'],
    'an entry left out' => [function (array &$r): void {
        array_splice($r['facts'], 1, 1);
    }, 'is gone.'],
    'an entry more' => [function (array &$r): void {
        $r['facts'][] = ['id' => 'new'] + $r['facts'][0];
    }, 'came in after the seal.'],
    'another order' => [function (array &$r): void {
        [$r['facts'][0], $r['facts'][1]] = [$r['facts'][1], $r['facts'][0]];
    }, 'in another order'],
    'a limit of the procedure' => [function (array &$r): void {
        $name = array_key_first($r['procedure']['parameters']);
        $r['procedure']['parameters'][$name]['value'] = 1;
        $r['frozen'] = Procedure::hash($r['procedure']);
    }, 'The text of the procedure:'],
    'what was known of the place' => [function (array &$r): void {
        $r['line']['sdr'] = 99;
    }, 'What was known of the place, sdr:'],
    'the seal' => [function (array &$r): void {
        $r['seal']['statement'] = str_replace('Ruben Vasey', 'Bram Ivesley', $r['seal']['statement']);
    }, 'not signed by the server whose key this is'],
    'the seal made anew with another key' => [function (array &$r): void {
        $other = SealKey::of(base64_encode(str_repeat('x', 32)));
        $r['seal']['signature'] = $other->sign($r['seal']['statement']);
        $r['seal']['public_key'] = $other->publicKey();
    }, 'not signed by the server whose key this is'],
]);

it('says at the command line whether a record holds', function () {
    $file = (string) tempnam(sys_get_temp_dir(), 'record');
    file_put_contents($file, json_encode(sealedRecord()));
    [$code, $out] = console(['verify', $file, testKey()->publicKey()]);
    $keyFile = (string) tempnam(sys_get_temp_dir(), 'key');
    file_put_contents($keyFile, testKey()->publicKey()."\n");
    expect(console(['verify', $file, $keyFile])[0])->toBe(0)
        ->and(console(['verify', $file, 'public-key.txt'])[0])->toBe(64);
    unlink($keyFile);
    expect($code)->toBe(0)->and(json_decode($out, true))->toMatchArray(['holds' => true, 'key' => 'given']);
    file_put_contents($file, str_replace('Bram Ivesley', 'Bram Iveslay', (string) file_get_contents($file)));
    [$code, $out] = console(['verify', $file]);
    expect($code)->toBe(1)->and($out)->toContain('not signed by the server');
    file_put_contents($file, json_encode(['seal' => null] + sealedRecord()));
    expect(console(['verify', $file])[1])->toContain('no seal that can be held against a key');
    unlink($file);
    expect(console(['verify', $file])[0])->toBe(64);
});
