import { createContext, useContext } from 'react'

/** How people call the joint or test and the step at hand: "Joint 41 · Fusion". What is put into the outbox carries it. */
export const Called = createContext('')

export const useCalled = (): string => useContext(Called)
