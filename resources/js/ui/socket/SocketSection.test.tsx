import { QueryClientProvider } from '@tanstack/react-query'
import { cleanup, render } from '@testing-library/react'
import { createElement, type ReactElement } from 'react'
import { afterEach, beforeEach, expect, test } from 'vitest'
import { queries } from '../../api/queries'
import { LookProvider } from '../settings'
import { across, layoutOf, pointOf } from './layout'
import { SocketSection } from './SocketSection'

const JOINT = { ring: 'socket', form: 'socket', od_mm: 222, wall_mm: 6.3, depth_mm: 115, mark_mm: 105 }

const around = (of: Record<string, unknown>): ReactElement =>
  createElement(QueryClientProvider, { client: queries }, createElement(LookProvider, null, <SocketSection of={of} />))

beforeEach(() => {
  queries.clear()
  queries.setQueryData(['me'], { name: 'Bram Ivesley', units: 'metric', projects: [] })
  queries.setQueryData(['units'], { length: { mm: { symbol: 'mm', factor: 0.001, offset: 0 } } })
})
afterEach(cleanup)

test('the end of the spigot lies where the mark and what is seen of it say, never past the stop', () => {
  // 105 mm from the end, at the face: 10 mm of room are left of 115.
  expect(layoutOf(JOINT)!.end).toBe(-105)
  expect(layoutOf({ ...JOINT, visible_mm: 14 })!.end).toBe(-91)
  expect(layoutOf({ ...JOINT, visible_mm: -40 })!.end).toBe(-115)
  expect(layoutOf({ ...JOINT, ring: 'strip', mark_mm: undefined, gap_mm: 15 })!.end).toBe(-100)
})

test('a mark is drawn only where a depth is known, and only then is it to scale', () => {
  const unknown = layoutOf({ ...JOINT, depth_mm: null })!
  expect([unknown.toScale, unknown.mark]).toEqual([false, null])
  expect(layoutOf({ ring: 'socket', depth_mm: 115 })).toBeNull()
})

test('all of it lies within the drawing, however far the pipe is out', () => {
  for (const visible_mm of [-60, 0, 14, 100, 300]) {
    const l = layoutOf({ ...JOINT, visible_mm, form: 'sleeve', points_at: 'mark' })!
    for (const mm of [l.left, l.right, l.end, pointOf(l)!]) {
      expect(across(l, mm)).toBeGreaterThanOrEqual(0)
      expect(across(l, mm)).toBeLessThanOrEqual(440)
    }
  }
})

test('the feeler ends at the ring, between what the sheet of the maker says', () => {
  const l = layoutOf({ ...JOINT, feeler_min_mm: 28, feeler_max_mm: 34, points_at: 'feeler' })!
  expect(pointOf(l)).toBe(-31)
  expect(l.ringAt + l.ringWide).toBeCloseTo(-31)
  const { container } = render(around({ ...JOINT, feeler_min_mm: 28, feeler_max_mm: 34, points_at: 'feeler' }))
  expect(container.textContent).toContain('blade stops at 28 mm to 34 mm')
  expect(container.querySelector('svg')!.getAttribute('aria-label')).toBe(
    'A spigot in its socket, cut open, 222 mm pipe, socket 115 mm deep, blade stops at 28 mm to 34 mm',
  )
})

test('it says where it points, and nothing where that is not known', () => {
  const said = (of: Record<string, unknown>): string => render(around({ ...JOINT, ...of })).container.textContent ?? ''
  expect(said({ points_at: 'mark', visible_mm: 1 })).toContain('mark, 1 mm from the face')
  expect(said({ points_at: 'mark' })).toContain('mark, 105 mm from the end')
  // A mark is called by what it means.
  expect(said({ points_at: 'mark', called: 'home line' })).toContain('home line, 105 mm from the end')
  expect(said({ points_at: 'mark', called: 'mark to stay visible', visible_mm: 3 })).toContain('mark to stay visible, 3 mm from the face')
  expect(said({ points_at: 'mark', mark_mm: undefined })).not.toContain('mark,')
  expect(said({ points_at: 'ring', ring: 'strip' })).toContain('sealant')
  expect(said({ points_at: 'lock', form: 'locked' })).toContain('locks, retainer')
  expect(said({ depth_mm: undefined })).toContain('Not to scale')
})
