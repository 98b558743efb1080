import { remarksOf } from '../remarks/catalogue.ts'

/** What is said of the surfaces. */
export const { catalogue, codeOf, remark } = remarksOf('surfaces', {
  nowhere: { said: 'A treatment lies on no surface.', weight: 'note', units: ['count'] },
})
