/** Holds the open makeover and reckons it away from the main thread. */
import { expose } from 'comlink'
import { v7 as uuidv7 } from 'uuid'
import { Reckoner } from '#core/reckoning/reckoner.ts'

expose(new Reckoner(uuidv7))
