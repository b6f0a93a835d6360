// The page by which a tablet comes to trust this copy: its address with TLS, the code of its authority.
import QRCode from 'qrcode';

const [address, code] = process.argv.slice(2);
const qr = await QRCode.toString(address, { type: 'svg', margin: 1 });
const groups = code.split(':').reduce((rows, pair, n) => {
  if (n % 8 === 0) rows.push([]);
  rows[rows.length - 1].push(pair);
  return rows;
}, []);
process.stdout.write(`<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Hollin: trust this workshop</title>
<style>
body { margin: 0; font: 18px/1.45 sans-serif; background: #efebdf; color: #1c241f; }
header { background: #1d4d36; color: #f3f1e4; padding: 14px 22px; font-size: 22px; font-weight: 600; }
main { max-width: 760px; margin: 0 auto; padding: 18px 22px 40px; }
li { margin: 0 0 16px; }
a.big { display: inline-block; padding: 14px 22px; background: #1d4d36; color: #f3f1e4; border-radius: 4px; text-decoration: none; font-weight: 600; }
code { font: 16px/1.6 monospace; display: block; background: #fbf9f2; border: 1px solid #c9c4b0; padding: 10px 14px; }
svg { width: 190px; height: 190px; display: block; background: #fff; }
.take { border-left: 5px solid #96500a; background: #faead2; padding: 8px 14px; }
</style>
</head>
<body>
<header>Hollin beside the rig</header>
<main>
<p>A tablet keeps the work with it and starts without a signal only over a connection it trusts. This copy has an authority of its own; the tablet is told once.</p>
<ol>
<li><p><a class="big" href="/hollin.crt">Fetch the authority</a></p></li>
<li><p>Compare its code, SHA-256, with the one on the screen where Hollin was started. Stop if a single pair differs.</p>
<code>${groups.map((g) => g.join(' ')).join('<br>')}</code></li>
<li><p>Settings of the tablet: security, certificates, install it as an authority (on some: install the profile, then switch full trust on for it).</p></li>
<li><p>Open <a href="${address}">${address}</a> and add it to the home screen.</p>${qr}</li>
</ol>
<p class="take">Take the authority off a tablet that leaves the workshop. Whoever has the key of this copy, in its own folder, could speak in the name of any address to tablets that trust it.</p>
</main>
</body>
</html>
`);
