/** A figure, or null where there is none. */
export const num = (v: unknown): number | null => (typeof v === 'number' ? v : null)
