import { cleanup, render, screen } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import type { FieldSpec } from '../../api/client'
import { Delivered } from './Delivered'

afterEach(cleanup)

const BATCHES = [
  { what: 'Gasket 160', batch: 'G-2', of: 'Tuesday' },
  { what: 'Lubricant for drinking water', batch: 'L-7', of: 'Tuesday' },
  { what: 'Rubber rings', batch: 'G-1', of: 'Monday' },
]

const field = (as: 'batch' | 'named', called: string[]): FieldSpec => ({ key: 'x', label: 'X', type: 'text', delivered: { as, called } })

const offered = (): string[] => screen.getAllByRole('button').map((button) => button.textContent)

test('a tap writes down the batch of what is called so', () => {
  const taken = vi.fn()
  render(<Delivered field={field('batch', ['gasket', 'ring'])} batches={BATCHES} onTake={taken} />)
  expect(offered()).toEqual(['Gasket 160 G-2', 'Rubber rings G-1'])
  screen.getByRole('button', { name: /G-1/ }).click()
  expect(taken).toHaveBeenCalledWith('G-1')
})

test('where its name counts it is written down with it; where nothing is called so all of it is offered', () => {
  const taken = vi.fn()
  render(<Delivered field={field('named', ['grease'])} batches={BATCHES} onTake={taken} />)
  expect(offered()).toHaveLength(3)
  screen.getByRole('button', { name: /L-7/ }).click()
  expect(taken).toHaveBeenCalledWith('Lubricant for drinking water, L-7')
})
