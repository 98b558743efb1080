import { computed, type Ref } from 'vue'
import type { Row } from '#core/makeover/kinds.ts'
import type { LaidFinish } from '#core/makeover/laid.ts'
import type { Rules } from '#core/rulebook/rulebook.ts'
import { useMaterials } from '../materials.ts'

/** Finishes as cloth that hangs or is sewn, each by its own id: they lie on no surface of the room. */
export function useCloths(
  finishes: Readonly<Ref<readonly LaidFinish[]>>,
  parts: Readonly<Ref<readonly Row<'patternPart'>[]>>,
  rules: Readonly<Ref<Rules>>,
) {
  const asCloth = computed(() =>
    finishes.value.map((finish): LaidFinish => ({
      ...finish,
      lies: [
        {
          id: finish.id,
          treatmentId: finish.id,
          how: 'loose',
          surface: 'window',
          wallId: null,
          openingId: null,
          bandFromMm: null,
          bandToMm: null,
          alongFromMm: null,
          alongToMm: null,
        },
      ],
    })),
  )
  return useMaterials(asCloth, parts, rules)
}
