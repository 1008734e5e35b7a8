import { i18n } from '@lingui/core'
import { TransNoContext } from '@lingui/react/server'
import type { ReactElement } from 'react'
import type { MessageId, Values } from './say'

type Props = {
  id: MessageId
  values?: Values
  /** what stands for <0>…</0>, <1>…</1> in the text: links, what is emphasised */
  parts: ReactElement[]
}

/** A text of the interface that has links in it, or words that are emphasised. */
export const Message = ({ id, values = {}, parts }: Props): ReactElement | null => (
  <TransNoContext lingui={{ i18n }} id={id} values={values} components={{ ...parts }} />
)
