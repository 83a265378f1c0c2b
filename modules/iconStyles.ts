import { addTemplate, defineNuxtModule } from 'nuxt/kit'
import { icons as lucide } from '@iconify-json/lucide'
import { getIconsCSS } from '@iconify/utils/lib/css/icons'

const PREFIX = 'lucide:'

/**
 * All icons that the program and the kit name, as one style sheet. Left alone, each icon puts a sheet of its own before
 * all others when it is first seen, and the browser then works out the styles of the whole page anew: a tenth of a
 * second on a long one.
 */
export default defineNuxtModule({
  meta: { name: 'mantel:icon-styles' },
  setup(_, nuxt) {
    const named = new Promise<string[]>(resolve => {
      nuxt.hook('icon:clientBundleIcons', found => {
        const here = [...found].filter(name => name.startsWith(PREFIX))
        // the sheet draws them: their outlines are not sent a second time
        for (const name of here) found.delete(name)
        resolve(here.map(name => name.slice(PREFIX.length)).sort())
      })
    })
    addTemplate({
      filename: 'icons.css',
      write: true,
      getContents: async () => {
        const css = getIconsCSS(lucide, await named, {
          // each for itself, as the icons' own component looks for them
          iconSelector: ':where(.i-{prefix}\\:{name})',
          commonSelector: ':where(.iconify)',
          mode: 'mask',
          format: 'compressed',
        })
        return `@layer base {\n${css}\n}\n`
      },
    })
    nuxt.options.css.push('#build/icons.css')
  },
})
