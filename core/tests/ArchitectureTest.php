<?php

declare(strict_types=1);

arch('the core knows no framework')->expect('Diastoma\Core')->not->toUse(['Illuminate', 'App', 'Laravel', 'Symfony', 'Dompdf']);

arch('the core reads no clock and keeps no session')->expect('Diastoma\Core')->not->toUse(['time', 'microtime', 'date', 'getenv', 'rand', 'mt_rand', 'random_int', 'dd', 'dump', 'var_dump']);

it('ships procedures that fit the published schema', function () {
    $validator = new Opis\JsonSchema\Validator;
    $schema = (string) file_get_contents(__DIR__.'/../data/schema/procedure.json');
    foreach ([...Diastoma\Core\Data::files('procedures'), ...Diastoma\Core\Data::files('methods')] as $file) {
        $result = $validator->validate(json_decode((string) file_get_contents(Diastoma\Core\Data::folder().'/'.$file)), $schema);
        expect($result->isValid())->toBeTrue($file.': '.json_encode($result->error()?->args()));
    }
});
