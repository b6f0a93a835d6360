<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <meta property="csp-nonce" nonce="{{ Vite::cspNonce() }}">
    <title>Hollin</title>
    <meta name="theme-color" content="#1d4d36">
    <link rel="manifest" href="/manifest.webmanifest">
    <link rel="apple-touch-icon" href="/icon-192.png">
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    @vite(['resources/js/main.tsx'])
</head>
<body>
    <div id="app"></div>
    <noscript>Hollin needs JavaScript.</noscript>
</body>
</html>
