import { Button, TextField, Typography } from '@mui/material'
import { useRef, useState, type ReactElement } from 'react'
import { useNavigate } from 'react-router'
import type { JointShort, LineFull } from '../api/client'
import { say } from '../texts/say'
import { Sheet } from '../ui/Sheet'

/** The code of a tag, from a picture of it. */
function ScanTag({ onJoint }: { onJoint: (id: string) => void }): ReactElement {
  const input = useRef<HTMLInputElement>(null)
  const [said, setSaid] = useState<string | null>(null)
  return (
    <>
      <Button variant="outlined" fullWidth sx={{ mt: 1 }} onClick={() => input.current?.click()}>
        {say('line.scanATag')}
      </Button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        hidden
        aria-label={say('line.pictureOfATag')}
        onChange={async (e) => {
          const picture = e.target.files?.[0]
          e.target.value = ''
          if (!picture) return
          const { readTag } = await import('../steps/reader')
          const id = /joints\/([0-9a-f-]{36})/.exec((await readTag(picture).catch(() => null)) ?? '')?.[1]
          if (id) onJoint(id)
          else setSaid(say('line.noTagOfAJointFound'))
        }}
      />
      {said && (
        <Typography role="alert" sx={{ mt: 1 }}>
          {said}
        </Typography>
      )}
    </>
  )
}

/** A joint by its number, a pipe of it, or its tag. */
export function FindJoint({ open, onClose, line }: { open: boolean; onClose: () => void; line: LineFull }): ReactElement {
  const [text, setText] = useState('')
  const navigate = useNavigate()
  // A tag's code is an address that ends in the joint.
  const scanned = /joints\/([0-9a-f-]{36})/.exec(text)?.[1]
  const words = text.trim().toLowerCase()
  // Joints by number first, then by the pipes that meet there, then what begins so.
  const byPipe = (j: JointShort): boolean =>
    Object.values(j.pipes ?? {}).some((p) => p.toLowerCase() === words || p.replace(/^0+/, '') === words)
  const rank = (j: JointShort): number =>
    j.number.toLowerCase() === words ? 0 : byPipe(j) ? 1 : j.number.toLowerCase().startsWith(words) ? 2 : 3
  const found =
    words === ''
      ? []
      : line.joints
          .filter((j) => rank(j) < 3)
          .sort((a, b) => rank(a) - rank(b))
          .slice(0, 8)
  return (
    <Sheet open={open} onClose={onClose} title={say('line.findAJointOrAPipe')}>
      <TextField
        autoFocus
        label={say('line.numberOfAJointOrA')}
        value={text}
        onChange={(e) => setText(e.target.value)}
        sx={{ mt: 1 }}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && (scanned ?? found[0])) void navigate(`/joints/${scanned ?? found[0]!.id}`)
        }}
      />
      <ScanTag onJoint={(id) => void navigate(`/joints/${id}`)} />
      {found.map((j) => (
        <Button key={j.id} fullWidth sx={{ justifyContent: 'flex-start' }} onClick={() => void navigate(`/joints/${j.id}`)}>
          {say('line.jointPipes', { number: j.number, pipesA: j.pipes?.['a'], pipesB: j.pipes?.['b'] })}
        </Button>
      ))}
      {words !== '' && found.length === 0 && <Typography sx={{ mt: 2 }}>{say('line.noJointOrPipeByThat')}</Typography>}
    </Sheet>
  )
}
