<?php

/** No line of PHP or TypeScript is longer than 140 columns: Prettier breaks those of TypeScript, a hand those of PHP. */
const COLUMNS = 140;

chdir(dirname(__DIR__, 2));
$long = 0;
foreach (explode("\0", rtrim((string) shell_exec("git ls-files -coz --exclude-standard '*.php' '*.ts' '*.tsx' '*.js'"), "\0")) as $file) {
    if (! is_file($file) || preg_match('/\.blade\.php$|schema\.d\.ts$/', $file) === 1) {
        continue;
    }
    foreach ((array) file($file, FILE_IGNORE_NEW_LINES) as $n => $line) {
        if (mb_strlen((string) $line) > COLUMNS) {
            printf("%s:%d has %d columns\n", $file, $n + 1, mb_strlen((string) $line));
            $long++;
        }
    }
}
exit($long === 0 ? 0 : 1);
