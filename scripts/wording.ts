// npm run wording: writes which messages there are and what each needs to be said, as types (wording/made/messages.d.ts).
import { writeFileSync } from 'node:fs'
import { languageList, LANGUAGE_LIST, messageTypes, MESSAGE_TYPES } from './message-types'

writeFileSync(MESSAGE_TYPES, messageTypes())
writeFileSync(LANGUAGE_LIST, languageList())
