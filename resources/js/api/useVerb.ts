import { useMutation } from '@tanstack/react-query'
import { useRef } from 'react'
import { Refusal } from './client'
import { queries } from './queries'

export interface Verb<Given> {
  run: (given: Given) => void
  busy: boolean
  /** what the server said of it last, when it refused */
  fault: string | null
  /** the same by field, one of each; what speaks of none stands under `all` */
  faults: Record<string, string>
  /** all of it in order, several to a field too */
  said: string[]
}

export function faultsOf(error: Error | null): Record<string, string> {
  if (error === null) return {}
  const named = error instanceof Refusal ? error.errors : []
  // The first of a field is what is said of it.
  return named.length > 0 ? Object.fromEntries([...named].reverse().map((e) => [e.field, e.message])) : { all: error.message }
}

function saidOf(error: Error | null): string[] {
  if (error === null) return []
  const named = error instanceof Refusal ? error.errors : []
  return named.length > 0 ? named.map((e) => e.message) : [error.message]
}

/** What a page asks of the server: once at a time, however often a thumb taps; then all that is shown is read anew. */
export function useVerb<Answer, Given = void>(
  send: (given: Given) => Promise<Answer>,
  done: (answer: Answer) => void = () => undefined,
  failed: (faults: Record<string, string>) => void = () => undefined,
): Verb<Given> {
  const going = useRef(false)
  const mutation = useMutation({
    mutationFn: send,
    onSuccess: async (answer) => {
      await queries.invalidateQueries()
      done(answer)
    },
    onError: (error) => failed(faultsOf(error)),
    onSettled: () => {
      going.current = false
    },
  })
  return {
    run: (given) => {
      if (going.current) return
      going.current = true
      mutation.mutate(given)
    },
    busy: mutation.isPending,
    fault: mutation.error?.message ?? null,
    faults: faultsOf(mutation.error),
    said: saidOf(mutation.error),
  }
}
