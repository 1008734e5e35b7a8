<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="theme-color" content="#f7f2e9">
    <title>Diastoma</title>
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    <link rel="manifest" href="/site.webmanifest">
    @vite('resources/js/main.tsx')
</head>
<body>
<div id="root"><p class="waiting">Diastoma is loading.</p></div>
<noscript>Diastoma needs JavaScript.</noscript>
</body>
</html>
