import { computed, type ComputedRef } from 'vue'
import { isStudioKind, type Kind } from '#core/makeover/kinds.ts'
import { useMakeover } from '../makeover.ts'
import { useSession } from '../session.ts'
import { asSentence, shutTo } from './shut.ts'

/** Why whoever looks at it now does not change what is of these kinds, as a sentence; empty where nothing stands in the way. */
export function useClosed(kinds: () => readonly Kind[]): ComputedRef<string> {
  const makeover = useMakeover()
  const session = useSession()
  return computed(() => {
    const asked = kinds().map((kind) => ({ kind }))
    if (asked.length === 0) return ''
    if (asked.every(({ kind }) => isStudioKind(kind))) return asSentence(shutTo(session.person, null, asked))
    if (makeover.past) return 'This is an earlier moment: go back to now to change something.'
    return asSentence(shutTo(session.person, makeover.base, asked))
  })
}
