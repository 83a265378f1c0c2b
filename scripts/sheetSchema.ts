// Writes docs/sheet.schema.json: npm run sheet-schema
import { writeFileSync } from 'node:fs'
import { z } from 'zod'
import { Sheet } from '#core/almanac'

writeFileSync('docs/sheet.schema.json', `${JSON.stringify(z.toJSONSchema(Sheet), null, 2)}\n`)
