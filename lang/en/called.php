<?php

// How people call what carries readings: a joint by the place where it sits, a test by its section.
return [
    'changed' => [
        'archived' => 'Put away: out of the lists.',
        'archived-back' => 'Taken out again: in the lists.',
        'design_bar' => 'Design pressure corrected from :before bar to :after bar.',
        'length_m' => 'Extended from :before m to :after m.',
        'mdp_bar' => 'Maximum design pressure corrected from :before bar to :after bar.',
        'name' => 'Renamed from ":before" to ":after".',
        'pipes_planned' => 'Laid out from the face on: :after pipes in place of :before joints that were planned.',
        'pipe_in_words' => 'Pipe still to come: :after instead of :before.',
        'pipe_length_m' => 'Planned anew from the face on, with pipes of :after m instead of :before m.',
        'procedure' => 'Joints not yet begun are made by :after instead of :before.',
    ],
    'decided' => 'Decided by :name (:role): :reason',
    'in-line' => 'Joint :number',
    'on-pipe' => 'Saddle :number',
    'restraint' => 'Restraint :number',
    'ownWorkAllowed' => 'You made :name alone. This project allows you to accept it; the record will say so.',
    'waitsForDecision' => 'A second reading of ":step" by :name waits for a decision.',
    'test' => ':section, test :number',
];
