import { describe, expect, it } from 'vitest'
import { findings } from './axe'
import { server, serveEmpty, visit } from './demo'
import { SCREENS } from './screens'

serveEmpty()

describe('an empty house', () => {
  it('says how to begin on every screen', async () => {
    await visit.go('/round')
    for (const path of SCREENS) {
      await visit.move(path)
      expect((await visit.text()).length, path).toBeGreaterThan(60)
      expect(await findings(), path).toEqual([])
    }
    await visit.go('/round')
    expect(await visit.text()).toMatch(/This house is empty/)
  })

  it('takes a first place and a first animal, and shows a bad field where it is', async () => {
    await visit.go('/places')
    await visit.press('Add a place')
    await visit.see('[role="dialog"] form')
    const fields = await visit.page.$$('[role="dialog"] form input')
    await fields[0]!.type('Bench room')
    await fields.at(-1)!.type('warm')
    await visit.press('Add place', '[role="dialog"]')
    await visit.untilText('[role="dialog"]', 'not a number with a unit')
    await fields.at(-1)!.evaluate(field => (field as HTMLInputElement).select())
    await fields.at(-1)!.type('75.2 °F')
    await visit.press('Add place', '[role="dialog"]')
    await visit.untilText('main', '24 °C')

    await visit.go('/animals')
    await visit.press('Add an animal')
    await visit.see('[role="dialog"] form')
    await visit.press('Add animal', '[role="dialog"] form')
    await visit.untilText('[role="dialog"]', 'A tag is needed')
    await visit.page.type('[role="dialog"] input[name="tag"]', 'K-01')
    // what is mended while typing must not move the form under the next click
    await visit.until(
      'the message to go',
      () => !document.querySelector<HTMLElement>('[role="dialog"]')!.innerText.includes('A tag is needed'),
    )
    await visit.press('Choose', '[role="dialog"]')
    await visit.see('[role="option"]')
    await visit.page.keyboard.type('Corn')
    await visit.page.keyboard.press('Enter')
    await visit.press('Add animal', '[role="dialog"] form')
    await visit.untilText('h1', 'K-01')
    await visit.go('/round')
    await visit.untilText('main', 'K-01')
  })

  it('a list of animals on the first day: when they last ate is asked once, and the meals follow from it', async () => {
    const rows = Array.from(
      { length: 200 },
      (_, i) => `Z-${i},${['corn snake', 'leopard gecko', 'rosy boa'][i % 3]},${i % 2 ? 'female' : 'male'},2022-05-01`,
    )
    await visit.go('/animals')
    await visit.press('Add a list')
    const paste = async (csv: string) => {
      await visit.see('[role="dialog"] textarea')
      await visit.page.$eval(
        '[role="dialog"] textarea',
        (area, text) => {
          ;(area as HTMLTextAreaElement).value = text
          area.dispatchEvent(new Event('input', { bubbles: true }))
        },
        csv,
      )
    }
    // one line is wrong: it is named, and nothing is written
    await paste(`tag,species,sex,born\n${rows.join('\n')}\nZ-200,Dragon,,`)
    await visit.press('Add 201 animals', '[role="dialog"]')
    await visit.untilText('[role="dialog"] [role="alert"]', 'Row 201: the almanac has no species “Dragon”')
    await visit.until('the focus in the list', () => document.activeElement?.tagName === 'TEXTAREA')
    await paste(`tag,species,sex,born\n${rows.join('\n')}`)
    await visit.press('Add 200 animals', '[role="dialog"]')
    await visit.untilGone('[role="dialog"]')
    // all of them are one act, which is taken back as one
    await visit.undo('200 animals added')
    await visit.untilText('body', 'Taken back')
    await visit.until('one animal', () => !document.querySelector('main')!.textContent!.includes('Z-1'))
    await visit.press('Add a list')
    await paste(`tag,species,sex,born\n${rows.join('\n')}`)
    await visit.press('Add 200 animals', '[role="dialog"]')
    await visit.untilGone('[role="dialog"]')
    await visit.untilText('main', 'Z-1')
    await visit.go('/round')
    // with the first animal of the house, of unknown birth
    await visit.untilText('.first', '201 animals without a meal written')
    // nothing stands line by line until it is answered, and axe finds nothing in it
    expect(await visit.page.$$eval('.room [data-task^="feed:"], .room [data-task^="weigh:"]', ts => ts.length)).toBe(0)
    expect(await findings()).toEqual([])
    await visit.click('.first [data-segment="day"]')
    await visit.page.keyboard.type('20112026')
    await visit.press('All 201 ate then')
    await visit.untilGone('.first')
    const { season } = (await fetch(`${server.address}/api/season`).then(r => r.json())) as {
      season: { tasks: { id: string; tag: string }[] }
    }
    // of five days ago: geckos of three days are due, snakes of ten days and more are not
    expect(season.tasks.filter(t => t.id.startsWith('feed:')).length).toBe(67)
  })
})
