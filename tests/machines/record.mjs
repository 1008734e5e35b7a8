// Records through a proxy, as devices do: each reading again and again until it is acknowledged.
//   node record.mjs BASE begin FILE COUNT   records on a new line and writes down what was acknowledged
//   node record.mjs BASE held FILE          whether each of these is there once
import { randomUUID } from 'node:crypto'
import { readFileSync, writeFileSync } from 'node:fs'

const [base, verb, file, count] = process.argv.slice(2)
const PEOPLE = ['tamsin', 'odile', 'bram']
const later = (ms) => new Promise((done) => setTimeout(done, ms))

/** A session of a person; every call is tried until the server has an answer. */
async function person(name) {
  const cookies = new Map()
  const call = async (method, path, body) => {
    for (;;) {
      try {
        const answer = await fetch(base + path, {
          method,
          signal: AbortSignal.timeout(5_000),
          headers: {
            Accept: 'application/json',
            'Content-Type': 'application/json',
            Origin: base,
            Referer: `${base}/`,
            Cookie: [...cookies].map(([k, v]) => `${k}=${v}`).join('; '),
            'X-XSRF-TOKEN': decodeURIComponent(cookies.get('XSRF-TOKEN') ?? ''),
          },
          ...(body === undefined ? {} : { body: JSON.stringify(body) }),
        })
        for (const one of answer.headers.getSetCookie()) {
          const [, key, value] = /^([^=]+)=([^;]*)/.exec(one)
          cookies.set(key, value)
        }
        if (answer.status < 500) return { status: answer.status, body: answer.status === 204 ? null : await answer.json() }
      } catch {
        // Not reached, or cut off: once more.
      }
      await later(150)
    }
  }
  await call('GET', '/api/v1/openapi.json')
  await call('GET', '/sanctum/csrf-cookie').catch(() => undefined)
  const signed = await call('POST', '/api/v1/session', { email: `${name}@diastoma.example`, password: 'clay-and-chalk' })
  if (signed.status !== 200) throw new Error(`${name} cannot sign in: ${signed.status}`)
  return call
}

async function begin() {
  const engineer = await person('tamsin')
  const hash = (await engineer('GET', '/api/v1/procedures')).body.find((p) => p.key === 'pvc-spigot-socket').hash
  const project = (await engineer('GET', '/api/v1/me')).body.projects[0].id
  const far = 6 * (Number(count) + 1)
  const line = await engineer('POST', '/api/v1/lines', {
    project_id: project,
    name: `Machines ${randomUUID().slice(0, 8)}`,
    service: 'water',
    material: 'PVC-U',
    dn_mm: 160,
    sdr: 21,
    design_bar: 6,
    mdp_bar: 8,
    pipe_length_m: 6,
    procedure_hash: hash,
    centre_line: [
      [0, 0, 0, 10],
      [far, far, 0, 10],
    ],
    sections: [],
  })
  const joints = line.body.joints.map((j) => j.id)
  const people = await Promise.all(PEOPLE.map(person))
  const acknowledged = []
  let next = 0
  await Promise.all(
    people.map(async (call) => {
      while (next < joints.length) {
        const joint = joints[next++]
        const id = randomUUID()
        const { status, body } = await call('POST', `/api/v1/subjects/joint/${joint}/facts`, {
          id,
          step: 'pipes',
          value: { pipe_a: `${next}a`, pipe_b: `${next}b` },
          recorded_at: new Date().toISOString(),
        })
        if (status !== 200 && status !== 201) throw new Error(`refused with ${status}: ${JSON.stringify(body)}`)
        acknowledged.push({ id, joint })
        await later(200)
      }
    }),
  )
  writeFileSync(file, JSON.stringify(acknowledged))
  console.error(`${acknowledged.length} acknowledged`)
}

async function held() {
  const call = await person('tamsin')
  const wrong = []
  for (const { id, joint } of JSON.parse(readFileSync(file, 'utf8'))) {
    const { facts } = (await call('GET', `/api/v1/subjects/joint/${joint}`)).body
    if (facts.length !== 1 || facts[0].id !== id) wrong.push(joint)
  }
  console.error(wrong.length === 0 ? 'each is there once' : `${wrong.length} lost or doubled`)
  process.exitCode = wrong.length === 0 ? 0 : 1
}

await (verb === 'begin' ? begin() : held())
