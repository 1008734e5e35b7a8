import { act, renderHook } from '@testing-library/react'
import { expect, it } from 'vitest'
import { useTyped } from './beingTyped'

it('loses no key that is tapped while the step is made anew', () => {
  const before = renderHook(() => useTyped('one'))
  act(() => before.result.current[1](() => ({ pressure: '4' })))
  // The next page of the step is there, and the key still lands on the one that goes.
  const after = renderHook(() => useTyped('one'))
  act(() => before.result.current[1]((typed) => ({ pressure: `${typed.pressure}0`, atHand: 'water', fault: 'no' })))
  before.unmount()
  expect(after.result.current[0]).toEqual({ pressure: '40', water: '', atHand: 'water', fault: 'no' })
})

it('keeps what is typed in one log apart from another', () => {
  const [one, other] = ['two', 'three'].map((trace) => renderHook(() => useTyped(trace)))
  act(() => one!.result.current[1](() => ({ water: '7' })))
  expect([one!.result.current[0].water, other!.result.current[0].water]).toEqual(['7', ''])
})
