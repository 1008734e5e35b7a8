import { Box } from '@mui/material'
import { useEffect, useState, type ReactElement } from 'react'

/** A text as a square code, to be read by a camera: black on white in every light. */
export function Code({ text, about }: { text: string; about: string }): ReactElement {
  const [svg, setSvg] = useState('')
  useEffect(() => {
    let live = true
    void import('bwip-js/browser').then(({ default: bwip }) => {
      if (live) setSvg(bwip.toSVG({ bcid: 'qrcode', text, scale: 4, paddingwidth: 2, paddingheight: 2, backgroundcolor: 'ffffff' }))
    })
    return () => {
      live = false
    }
  }, [text])
  return (
    <Box
      role="img"
      aria-label={about}
      dangerouslySetInnerHTML={{ __html: svg }}
      sx={{ width: 128, height: 128, '& svg': { width: '100%', height: '100%' } }}
    />
  )
}
