import type { Mail, MailState } from '@/server/post'
import { Tag } from '@/ui/kit'

export const stateWords: Readonly<Record<MailState, string>> = {
  waiting: 'waiting',
  going: 'on its way',
  sent: 'sent',
  refused: 'not sent',
  back: 'taken back',
  unsure: 'perhaps sent',
}

/** What became of an e-mail, where that isn't simply that it was sent. */
export const StateTag = ({ state }: Pick<Mail, 'state'>) =>
  state === 'sent' ? null : (
    <Tag look={state === 'refused' || state === 'unsure' ? 'ember' : state === 'back' ? 'ash' : 'brass'}>
      {stateWords[state]}
    </Tag>
  )
