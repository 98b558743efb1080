/** npm run bench: everything that is measured, one after the other. */
import './reckon.ts'
import './edits.ts'
import './survey.ts'
import './surfaces.ts'
import './light.ts'
import './calendar.ts'
import './soft-goods.ts'
import { benchBrowser } from './palette.ts'
import { benchChanges } from './changes.ts'
import { benchImports } from './imports.ts'
import { benchFollow, benchStart } from './follow.ts'
import { benchDrags } from './drags.ts'
import { benchClient } from './client.ts'
import { benchHandling } from './handling.ts'
import { benchStudio } from './studio.ts'
import { benchLists } from './lists.ts'

await benchBrowser()
await benchChanges()
await benchImports()
await benchStart()
await benchFollow()
await benchStudio()
await benchLists()
await benchDrags()
await benchHandling()
await benchClient()
