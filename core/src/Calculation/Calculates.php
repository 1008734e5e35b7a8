<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation;

/**
 * Names a calculation: an invokable class whose typed, attributed parameters are its inputs.
 * The registry, the command line, the API and the Bench read all they need from here.
 */
#[\Attribute(\Attribute::TARGET_CLASS)]
final readonly class Calculates
{
    /**
     * @param  string  $name  as typed on the command line
     * @param  string  $title  what it decides, in plain words
     * @param  Family  $family  the sheet it belongs to; also fixes how refusals name a field
     * @param  list<string>  $gives  output keys
     * @param  string  $source  standard, clause or derivation
     * @param  list<string>  $alsoNamed  other names that answer with the same code
     * @param  list<string>  $verdicts  words that its verdict can be
     * @param  array<string, list<string>>  $codes  output key => the codes that it can hold; a star stands for what depends on the inputs
     * @param  bool  $soil  its cubic metres are soil or concrete, which are reckoned in cubic yards where water is in gallons
     */
    public function __construct(
        public string $name,
        public string $title,
        public Family $family,
        public array $gives,
        public string $source,
        public array $alsoNamed = [],
        public array $verdicts = ['good', 'close', 'bad', 'open'],
        public array $codes = [],
        public bool $soil = false,
    ) {
    }
}
