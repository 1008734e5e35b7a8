import { expect, test } from 'vitest'
import { figureOf, noFigure } from './figureOf'

test.each([
  ['12.5', 12.5],
  ['12,5', 12.5],
  ['0,125', 0.125],
  ['1,2345', 1.2345],
  ['.5', 0.5],
  ['5.', 5],
  ['-3', -3],
  [' 7 ', 7],
  ['1234.5', 1234.5],
  ['1.234', 1.234],
])('%s is a figure', (text, figure) => {
  expect(figureOf(text)).toBe(figure)
  expect(noFigure(text)).toBeNull()
})

test.each([
  '1,234',
  '12,345',
  '-1,234',
  '1,234,567',
  '1.234,5',
  '12,34,56',
  '1e3',
  '0x1A',
  'NaN',
  'Infinity',
  '',
  '-',
  '.',
  '١٢',
  '１２',
  '5 mm',
  '4 1/8',
  '~5',
])('%s is none', (text) => {
  expect(figureOf(text)).toBeNull()
  expect(noFigure(text)).not.toBeNull()
})

test('what has two readings is told with both', () => {
  expect(noFigure(' ')).toBe('A figure is wanted.')
  expect(noFigure('1,234')).toBe('1,234 could be 1234 or 1.234: write it without the comma, or with a point.')
})
