<?php

uses(Tests\TestCase::class)->in('Feature', 'Fuzz/RoutesTest.php');
