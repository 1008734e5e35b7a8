<?php

// How people call what carries readings: a joint by the place where it sits, a test by its section.
return [
    'decided' => 'Decided by :name (:role): :reason',
    'in-line' => 'Joint :number',
    'on-pipe' => 'Saddle :number',
    'restraint' => 'Restraint :number',
    'ownWorkAllowed' => 'You made :name alone. This project allows you to accept it; the record will say so.',
    'waitsForDecision' => 'A second reading of ":step" by :name waits for a decision.',
    'test' => ':section, test :number',
];
