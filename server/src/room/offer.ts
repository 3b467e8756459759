// What a tablet is offered over plain http, before it trusts this room: the authority's certificate, and how to trust it. Nothing else.
import express, { type Express } from 'express'
import helmet from 'helmet'
import { toString as qrCode } from 'qrcode'
import { fingerprintOf } from './authority'

/** The file's address on the plain http port. */
export const AUTHORITY_PATH = '/peen-room.crt'

type Offered = { readonly authority: string; readonly address: string; readonly helpAddress: string }

const STEPS = [
  [
    'iPad or iPhone',
    'Open the certificate in Safari and allow the download. In Settings, open General, then VPN & Device Management, and install the profile. Then open General, About, Certificate Trust Settings, and switch on the certificate of this room.'
  ],
  [
    'Android',
    'Download the certificate. In Settings, search for “CA certificate”, choose Install anyway, and pick the file. The tablet needs a screen lock.'
  ],
  ['Windows', 'Open the certificate, choose Install Certificate, and place it in Trusted Root Certification Authorities.'],
  ['Mac', 'Open the certificate in Keychain Access, open it there, and under Trust choose Always Trust.'],
  [
    'Chromebook or Linux',
    'In the browser’s settings, open Privacy and security, Security, Manage certificates, Authorities, and import the file for websites.'
  ]
] as const

/** A page of plain words with both addresses as QR codes, and the certificate to download. */
export function offerApp(offered: () => Offered): Express {
  const app = express()
  app.disable('x-powered-by')
  app.use(
    helmet({
      strictTransportSecurity: false,
      contentSecurityPolicy: {
        useDefaults: false,
        directives: { defaultSrc: ["'none'"], styleSrc: ["'unsafe-inline'"], imgSrc: ["'self'", 'data:'] }
      }
    })
  )
  app.get(AUTHORITY_PATH, (_req, res) => {
    res.type('application/x-x509-ca-cert').set('Content-Disposition', 'attachment; filename="peen-room.crt"').send(offered().authority)
  })
  app.get('/', async (_req, res) => {
    const { authority, address, helpAddress } = offered()
    const [help, open] = await Promise.all([helpAddress, address].map((url) => qrCode(url, { type: 'svg', margin: 1, width: 200 })))
    res.type('html').send(page({ help, open, address, helpAddress, fingerprint: fingerprintOf(authority) }))
  })
  app.use((_req, res) => void res.status(404).type('text').send('This address only offers this room’s certificate; open / instead.'))
  return app
}

type Page = {
  readonly help: string
  readonly open: string
  readonly address: string
  readonly helpAddress: string
  readonly fingerprint: string
}

const page = ({ help, open, address, helpAddress, fingerprint }: Page) => `<!doctype html>
<html lang="en">
<meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>Bring a tablet to Peen</title>
<style>
body{font:18px/1.45 system-ui,sans-serif;color:#101a1b;background:#fff;max-width:44rem;margin:2rem auto;padding:0 1rem}
h1{font-size:1.6rem}h2{font-size:1.1rem;margin-top:2rem}a.go{display:inline-block;padding:.7rem 1.2rem;background:#0b5a42;color:#fff;text-decoration:none}
code{font-size:.85rem;overflow-wrap:anywhere}dt{font-weight:650;margin-top:.8rem}dd{margin:0}.codes{display:flex;flex-wrap:wrap;gap:2rem}figure{margin:0}svg{width:200px;height:200px;display:block}
</style>
<h1>Bring a tablet to Peen</h1>
<p>This room has its own certificate, so that what you tap cannot be read on the way. Each tablet has to trust it once.</p>
<h2>1. Get the certificate</h2>
<p><a class="go" href="${AUTHORITY_PATH}">Download the certificate</a></p>
<p>Compare its SHA-256 fingerprint with the one that the server shows where it was started:<br><code>${fingerprint}</code></p>
<p>It vouches for addresses of this local network only, never for a public website.</p>
<h2>2. Trust it</h2>
<dl>${STEPS.map(([kind, how]) => `<dt>${kind}</dt><dd>${how}</dd>`).join('')}</dl>
<h2>3. Open Peen</h2>
<p><a href="${address}">${address}</a></p>
<div class="codes"><figure>${open}<figcaption>Peen</figcaption></figure><figure>${help}<figcaption>This page: ${helpAddress}</figcaption></figure></div>
</html>`
