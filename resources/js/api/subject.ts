/** What carries facts, as the addresses name it. */
export type SubjectKind = 'joint' | 'test' | 'stretch'

/** The address of a subject in the API, and the name under which a device keeps what waits for it. */
export const subjectAt = (kind: SubjectKind, id: string): string => `subjects/${kind}/${id}`

/** The id in such an address. */
export const idOf = (subject: string): string => subject.slice(subject.lastIndexOf('/') + 1)

/** How devices named subjects before there was one way: `joints/ID`, `tests/ID`. */
export const ofFormer = (subject: string): string => subject.replace(/^joints\//, 'subjects/joint/').replace(/^tests\//, 'subjects/test/')

/** The page of a subject. */
export const pageOf = (kind: SubjectKind, id: string): string => `/${{ joint: 'joints', test: 'tests', stretch: 'stretches' }[kind]}/${id}`
