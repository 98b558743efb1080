/** npm run bench: everything that is measured, one after the other. */
import './reckon.ts'
import './edits.ts'
import './survey.ts'
import { benchBrowser } from './palette.ts'
import { benchChanges } from './changes.ts'
import { benchFollow, benchStart } from './follow.ts'
import { benchLists } from './lists.ts'

await benchBrowser()
await benchChanges()
await benchStart()
await benchFollow()
await benchLists()
