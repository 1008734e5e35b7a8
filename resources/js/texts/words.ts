import { say, type MessageId } from './say'

/** Words that the server knows as codes; one that is not known here yet stands as it came. */
const among =
  (words: Record<string, MessageId>) =>
  (code: string): string =>
    words[code] ? say(words[code]) : code

/** Of a joint, test or stretch. */
export const stateWord = among({
  planned: 'words.planned',
  begun: 'words.begun',
  made: 'words.made',
  accepted: 'words.accepted',
  'cut-out': 'words.cutOut',
  'pulled-apart': 'words.pulledApart',
})

/** What somebody can be in a project, with the most to do with pipes first. */
export const ROLES = ['joiner', 'foreman', 'inspector', 'engineer'] as const

export const roleWord = among({
  joiner: 'words.joiner',
  foreman: 'words.foreman',
  inspector: 'words.inspector',
  engineer: 'words.engineer',
})

/** What a line carries. */
export const serviceWord = among({ water: 'words.water', sewer: 'words.sewer', gas: 'words.gas' })

/** Part of the work that steps belong to. */
export const stageWord = among({
  look: 'words.stageLook',
  prepare: 'words.stagePrepare',
  join: 'words.stageJoin',
  fuse: 'words.stageFuse',
  wait: 'words.stageWait',
  test: 'words.stageTest',
  accept: 'words.stageAccept',
})
