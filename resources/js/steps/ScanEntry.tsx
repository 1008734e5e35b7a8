import { Box, Button, Typography } from '@mui/material'
import { useEffect, useRef, useState, type ReactElement } from 'react'
import type { PracticeLabel, StepText } from '../api/client'
import { useLabels } from '../api/queries'
import { Sheet } from '../ui/Sheet'
import { FieldsEntry } from './FieldsEntry'
import { tight } from '../ui/Verdict'
import { say } from '../texts/say'

async function readCode(image: Blob | ImageData): Promise<string | null> {
  const { readBarcodes } = await import('./reader')
  return readBarcodes(image)
}

/** The code from a picture, from the camera, typed, or from a made-up label to practise on. */
export function ScanEntry({
  step,
  project,
  onRecord,
}: {
  step: StepText
  project: number
  onRecord: (value: Record<string, unknown>) => void
}): ReactElement {
  const [said, setSaid] = useState<string | null>(null)
  const [practice, setPractice] = useState(false)
  const [camera, setCamera] = useState(false)
  const file = useRef<HTMLInputElement>(null)
  return (
    <FieldsEntry
      step={step}
      project={project}
      onRecord={onRecord}
      extra={(set) => (
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', py: 1 }}>
          <Button variant="outlined" onClick={() => file.current?.click()}>
            {say('steps.fromAPicture')}
          </Button>
          <Button variant="outlined" onClick={() => setCamera(true)}>
            {say('steps.camera')}
          </Button>
          <Button variant="outlined" onClick={() => setPractice(true)}>
            {say('steps.practiceLabels')}
          </Button>
          <input
            ref={file}
            type="file"
            accept="image/*"
            hidden
            aria-label={say('steps.pictureOfTheBarCode')}
            onChange={async (e) => {
              const picture = e.target.files?.[0]
              e.target.value = ''
              if (!picture) return
              setSaid(say('steps.readingThePicture'))
              const code = await readCode(picture).catch(() => null)
              setSaid(code ? say('steps.readDigits', { count: code.length }) : say('steps.noBarCodeFoundInThat'))
              if (code) set({ code })
            }}
          />
          {said && (
            <Typography role="status" sx={{ width: '100%' }}>
              {said}
            </Typography>
          )}
          <CameraSheet
            open={camera}
            onClose={() => setCamera(false)}
            onCode={(code) => {
              set({ code })
              setCamera(false)
              setSaid(say('steps.readDigits', { count: code.length }))
            }}
          />
          <PracticeSheet
            open={practice}
            onClose={() => setPractice(false)}
            onPick={(l) => {
              set({ code: l.code, serial: l.serial })
              setPractice(false)
              setSaid(say('steps.practiceLabel', { serial: l.serial, printed: printed(l) }))
            }}
          />
        </Box>
      )}
    />
  )
}

function CameraSheet({ open, onClose, onCode }: { open: boolean; onClose: () => void; onCode: (code: string) => void }): ReactElement {
  const video = useRef<HTMLVideoElement>(null)
  const [fault, setFault] = useState<string | null>(null)
  // The page renders anew every second; the camera must not start anew with it.
  const told = useRef(onCode)
  useEffect(() => {
    told.current = onCode
  }, [onCode])
  useEffect(() => {
    if (!open) return
    let stream: MediaStream | null = null
    let timer = 0
    let live = true
    let reading = false
    const begin = async (): Promise<void> => {
      try {
        stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } })
        if (!live || !video.current) return
        video.current.srcObject = stream
        await video.current.play()
        timer = window.setInterval(async () => {
          const v = video.current
          if (!v || v.videoWidth === 0 || reading) return
          reading = true
          const canvas = document.createElement('canvas')
          canvas.width = v.videoWidth
          canvas.height = v.videoHeight
          const context = canvas.getContext('2d')!
          context.drawImage(v, 0, 0)
          const code = await readCode(context.getImageData(0, 0, canvas.width, canvas.height)).catch(() => null)
          reading = false
          // A partial sweep can look valid: only the whole code counts.
          if (code?.length === 24 && live) told.current(code)
        }, 400)
      } catch {
        setFault(say('steps.theCameraCannotBeUsedHere'))
      }
    }
    void begin()
    return () => {
      live = false
      window.clearInterval(timer)
      stream?.getTracks().forEach((t) => t.stop())
    }
  }, [open])
  return (
    <Sheet open={open} onClose={onClose} title={say('steps.holdTheWholeCodeInView')}>
      {fault ? <Typography>{fault}</Typography> : <video ref={video} muted playsInline style={{ width: '100%' }} />}
    </Sheet>
  )
}

const KIND = { socket: say('steps.coupler'), saddle: say('steps.saddle'), restraint: say('steps.restraint') }

const printed = (l: PracticeLabel): string =>
  [
    KIND[l.kind],
    say('common.mm', { mm: l.dn_mm }),
    l.outlet_mm === undefined ? '' : say('steps.outletMm', { mm: l.outlet_mm }),
    `${l.voltage_v} V`,
    `${l.time_s} s`,
    say('steps.coolingMin', { minutes: l.cooling_min }),
    l.tapping_min === undefined ? '' : say('steps.tappingAfterMin', { minutes: l.tapping_min }),
    l.coupling_mm === undefined ? '' : say('steps.lengthMm', { mm: l.coupling_mm }),
    l.saddle_mm === undefined ? '' : say('steps.alongThePipeMm', { mm: l.saddle_mm }),
    l.cover_deg === undefined ? '' : say('steps.roundItDegrees', { degrees: l.cover_deg }),
    l.torque_nm === undefined ? '' : say('steps.clampBoltsNm', { torque: l.torque_nm }),
    l.sdr_min === undefined || l.sdr_max === undefined ? '' : say('steps.sdrFromTo', { from: l.sdr_min, to: l.sdr_max }),
  ]
    .filter((part) => part !== '')
    .join(' · ')

/** A practice label cannot be held in the hand: what is printed on it stays in view where it is asked for. */
export function PrintedLabel({ code, serial }: { code: unknown; serial: unknown }): ReactElement | null {
  const labels = useLabels()
  const label = (labels.data ?? []).find((l) => l.code === code && l.serial === serial)
  return label ? (
    <Box
      role="note"
      aria-label={say('steps.printedOnThePracticeLabel')}
      sx={{ border: 2, borderColor: 'text.primary', borderRadius: 1, bgcolor: 'background.paper', px: 1.5, py: 1, my: 1.5 }}
    >
      <Typography variant="body2">{say('steps.practiceLabelPrintedOnIt', { serial: label.serial })}</Typography>
      <Typography sx={{ fontWeight: 700 }}>{tight(printed(label))}</Typography>
    </Box>
  ) : null
}

function PracticeSheet({
  open,
  onClose,
  onPick,
}: {
  open: boolean
  onClose: () => void
  onPick: (label: PracticeLabel) => void
}): ReactElement {
  const labels = useLabels()
  return (
    <Sheet open={open} onClose={onClose} title={say('steps.madeUpLabelsToPractiseOn')}>
      {(labels.data ?? []).map((l) => (
        <Box key={l.serial} sx={{ borderTop: 1, borderColor: 'divider', py: 1.5 }}>
          <Drawn code={l.code} />
          <Typography>
            {tight(printed(l))}
            {l.trap ? say('steps.trap', { trap: l.trap }) : ''}
          </Typography>
          <Button variant="outlined" onClick={() => onPick(l)}>
            {say('steps.take', { serial: l.serial })}
          </Button>
        </Box>
      ))}
    </Sheet>
  )
}

function Drawn({ code }: { code: string }): ReactElement {
  const [svg, setSvg] = useState<string | null>(null)
  useEffect(() => {
    void import('bwip-js/browser').then(({ default: bwip }) =>
      setSvg(
        bwip.toSVG({
          bcid: 'interleaved2of5',
          text: code,
          includetext: true,
          scale: 2,
          height: 12,
          paddingwidth: 8,
          backgroundcolor: 'ffffff',
        }),
      ),
    )
  }, [code])
  return svg ? (
    <img
      alt={say('steps.barCode', { code })}
      src={`data:image/svg+xml;base64,${btoa(svg)}`}
      style={{ maxWidth: '100%', background: '#fff' }}
    />
  ) : (
    <span>{code}</span>
  )
}
