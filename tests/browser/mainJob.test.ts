import { describe, expect, it } from 'vitest'
import { serveDemo, snapshot, visit } from './demo'

serveDemo({ each: true })

const house = snapshot
const lane = (title: string) => `[data-lane="${title}"]`
const event = (name: string) => `[role="dialog"] [data-event="${name}"]`
async function openLane(title: string): Promise<void> {
  await visit.see(`${lane(title)} .open`)
  await visit.page.$eval(`${lane(title)} .open`, e => e.scrollIntoView({ block: 'center' }))
  await visit.click(`${lane(title)} .open`)
  await visit.see('[role="dialog"] .events')
}

describe('Round', () => {
  it('walks room by room, records by one tap, folds the line away and takes it back', async () => {
    await visit.go('/round')
    const rooms = await visit.page.$$eval('.room > h2', hs =>
      hs.map(h => (h as HTMLElement).innerText.replace(/\s*\d+$/, '')),
    )
    expect(rooms.slice(0, 3)).toEqual(['Bench room', 'Glass room', 'Back shop'])
    const line = '[data-task^="feed:"]'
    const id = await visit.page.$eval(line, e => (e as HTMLElement).dataset.task!)
    await visit.press('Took', `[data-task="${id}"]`)
    await visit.untilGone(`[data-task="${id}"]`)
    await visit.untilText('details', '1 written today')
    await visit.press('Undo')
    await visit.see(`[data-task="${id}"]`)
  })

  it('weighs by keyboard alone: J to a line, Enter, the number, Enter', async () => {
    await visit.go('/round')
    const weigh = '[data-task^="weigh:"]'
    const id = await visit.page.$eval(weigh, e => (e as HTMLElement).dataset.task!)
    for (let i = 0; i < 60; i++) {
      await visit.page.keyboard.press('j')
      const here = await visit.page.evaluate(() => document.activeElement?.closest<HTMLElement>('.task')?.dataset.task)
      if (here === id) break
    }
    await visit.page.keyboard.press('Enter')
    await visit.answer('1.1 oz')
    await visit.untilGone(`[data-task="${id}"]`)
    const animal = (await house()).house.animals[id.split(':')[1]!]!
    expect(animal.weights.at(-1)!.massG).toBeCloseTo(31.18, 2)
  })

  it('shows the working of what is due', async () => {
    await visit.go('/round')
    await visit.click('[data-task^="feed:"] .working-link')
    await visit.untilText('[role="dialog"]', 'Every')
    expect(await visit.text('[role="dialog"]')).toMatch(/almanac, /)
    await visit.page.keyboard.press('Escape')
    await visit.untilGone('[role="dialog"]')
  })
})

describe('Season, from the lock to the cups', () => {
  it('lock, pre-lay shed, laid, hatched: each moves the next, then mouths and the plan', async () => {
    await visit.go('/season')
    await openLane('K-03 × K-08')
    const hatch = () => visit.text(event('hatched'))
    const seen: string[] = [await hatch()]
    const step = async (press: () => Promise<void>) => {
      await press()
      await visit.until(
        'the hatch to move',
        (s: string, before: string) => document.querySelector<HTMLElement>(s)?.innerText !== before,
        event('hatched'),
        seen.at(-1),
      )
      seen.push(await hatch())
    }
    await step(() => visit.press('Lock', '[role="dialog"]'))
    await step(() => visit.press('Pre-lay shed', '[role="dialog"]'))
    expect(new Set(seen).size).toBe(3)
    await visit.press('Laid', '[role="dialog"]')
    const further = (label: string) => `xpath///form//label[contains(., "${label}")]/following::input[1]`
    // what cannot be read, and what the house refuses, stand beside their fields, and nothing is written
    const clutches = async () => Object.keys((await house()).house.clutches).length
    const before = await clutches()
    await visit.retype(further('Of these, slugs'), '9')
    await visit.retype(further('Incubated at'), '28 g')
    await visit.answerWrongly('8')
    await visit.untilText('form.ask', 'does not measure temperature')
    await visit.retype(further('Incubated at'), '90')
    await visit.page.keyboard.press('Enter')
    await visit.untilText('form.ask', 'Incubation over 45 °C kills: check the unit')
    await visit.expectRefusal(422)
    expect(await visit.text('form.ask')).toContain('More slugs than eggs')
    expect(await clutches()).toBe(before)
    await visit.retype(further('Of these, slugs'), '1')
    await visit.retype(further('Incubated at'), '82.4 °F')
    await visit.page.keyboard.press('Enter')
    await visit.untilGone('form.ask')
    await visit.see(lane('C-6'))
    expect(Object.values((await house()).house.clutches).find(c => c.tag === 'C-6')).toMatchObject({
      eggs: 8,
      slugs: 1,
      tempC: 28,
    })
    await visit.page.keyboard.press('Escape')
    await visit.untilGone('[role="dialog"]')

    const pinkies = () => visit.text('[data-prey="mouse.pinky"]')
    const pinkiesBefore = await pinkies()
    await openLane('C-6')
    expect(await visit.text(event('hatched'))).toMatch(/\(\d+/)
    await visit.press('Hatched', '[role="dialog"]')
    await visit.answer('7')
    await visit.untilText('[role="dialog"]', 'Young alive and to come: 7')
    await visit.until(
      'the plan of pinkies to change',
      (b: string) => document.querySelector<HTMLElement>('[data-prey="mouse.pinky"]')?.innerText !== b,
      pinkiesBefore,
    )
    expect(
      (await house()).house.clutches[Object.values((await house()).house.clutches).find(c => c.tag === 'C-6')!.id]!
        .hatched[0]!.count,
    ).toBe(7)
  })

  it('refuses more hatched than laid, where the mistake is, and writes nothing', async () => {
    await visit.go('/season')
    await openLane('C-3')
    const { version } = await house()
    await visit.press('Hatched', '[role="dialog"]')
    await visit.answerWrongly('40')
    await visit.untilText('form.ask', '40 cannot hatch: C-3 has 12 of 14 eggs left')
    expect(await visit.page.$eval('form.ask input', e => (e as HTMLInputElement).value)).toBe('40')
    expect((await house()).version).toBe(version)
    await visit.expectRefusal(422)
  })

  it('a live-bearer gives birth, an amphibian comes on land', async () => {
    await visit.go('/season')
    await openLane('R-01 × R-06')
    expect(await visit.text(event('born'))).toMatch(/birth/)
    await visit.press('Gave birth', '[role="dialog"]')
    await visit.answer('5')
    await visit.see(lane('L-1'))
    await visit.page.keyboard.press('Escape')
    await visit.untilGone('[role="dialog"]')
    const flies = await visit.text('[data-prey="fly.small"]')
    await openLane('S-1')
    await visit.press('Came on land', '[role="dialog"]')
    await visit.answer('30')
    await visit.until(
      'the plan of flies to change',
      (b: string) => document.querySelector<HTMLElement>('[data-prey="fly.small"]')?.innerText !== b,
      flies,
    )
  })

  it('starts the cups of the plan, and takes them back', async () => {
    await visit.go('/season')
    const cups = async () =>
      Object.values((await house()).house.cultures).filter(c => c.feederId === 'fly.large').length
    const before = await cups()
    const label = await visit.page.$eval('[data-prey="fly.large"] .start', e => (e as HTMLElement).innerText.trim())
    const count = Number(/\d+/.exec(label)![0])
    expect(count).toBeGreaterThan(0)
    await visit.click('[data-prey="fly.large"] .start')
    await visit.untilText('body', `Started ${count} of large fruit fly`)
    expect(await cups()).toBe(before + count)
    await visit.press('Undo')
    await visit.untilText('body', 'Taken back')
    expect(await cups()).toBe(before)
  })

  it('lights the need that a lane causes', async () => {
    await visit.go('/season')
    const shapes = () => visit.page.$$eval('[data-prey="beanBeetle"] svg path', ps => ps.length)
    const before = await shapes()
    await visit.page.hover(`${lane('C-3')} svg`)
    await visit.until(
      'one more shape',
      (n: number) => document.querySelectorAll('[data-prey="beanBeetle"] svg path').length === n + 1,
      before,
    )
  })

  it('opens the working of a forecast: rule, inputs with units, provenance, what would change it', async () => {
    await visit.go('/season')
    await visit.click(`${lane('C-2')} .working-link`)
    await visit.untilText('[role="dialog"]', 'Thermal time fitted')
    const text = await visit.text('[role="dialog"]')
    for (const part of ['degree-days', 'At 29 °C', '50 days', 'common practice', 'What would change it', 'logbook, '])
      expect(text).toContain(part)
  })

  it('leads from a number of the working to where it stands, to be set otherwise', async () => {
    await visit.go('/culture-day')
    await visit.click('[data-task^="start:"] .working-link')
    await visit.see('.working a[href*="at=common.hungryCost"]')
    await visit.click('.working a[href*="at=common.hungryCost"]')
    await visit.untilText('main h2', 'Numbers for every species')
    await visit.until('the number stands in sight', () => {
      const box = document.querySelector('.number.sought')?.getBoundingClientRect()
      return box !== undefined && box.top > 0 && box.bottom < innerHeight
    })
    expect(await visit.text('.number.sought')).toMatch(/A hungry meal weighs:\s*20/)
  })

  it('tries a what-if in a worker beside today’s plan and writes nothing', async () => {
    await visit.go('/season')
    const { version } = await house()
    await visit.page.keyboard.press('w')
    await visit.see('[data-testid="appetite"]')
    await visit.page.focus('[data-testid="appetite"] [role="slider"]')
    for (let i = 0; i < 10; i++) await visit.page.keyboard.press('ArrowRight')
    await visit.see('[data-testid="what-if-outcome"] table')
    expect(await visit.text('[data-testid="what-if-outcome"]')).toMatch(/Start|order|start/)
    expect(visit.page.workers().length).toBe(1)
    expect((await house()).version).toBe(version)
    await visit.press('Back to today’s plan')
    await visit.untilGone('[data-testid="what-if-outcome"]')
  })
})

describe('the log line and the keys', () => {
  it('writes as one speaks, shows what it understood and asks when unsure', async () => {
    await visit.go('/round')
    await visit.page.keyboard.press('l')
    await visit.page.keyboard.type('Q-99 12 g')
    await visit.untilText('form.log', 'No tag Q-99')
    await visit.page.keyboard.down('Control')
    await visit.page.keyboard.press('a')
    await visit.page.keyboard.up('Control')
    await visit.page.keyboard.type('K-05 444 g')
    await visit.untilText('form.log', 'K-05 weighs 444 g')
    await visit.page.keyboard.press('Enter')
    await visit.untilText('body', 'K-05 weighs 444 g')
    await visit.until(
      'the line to clear',
      () => document.querySelector<HTMLInputElement>('form.log input')!.value === '',
    )
    expect(
      Object.values((await house()).house.animals)
        .find(a => a.tag === 'K-05')!
        .weights.at(-1)!.massG,
    ).toBe(444)
  })

  it('goes to every screen by G and a letter, searches by /, lists keys by ?', async () => {
    await visit.go('/round')
    for (const [key, path] of [
      ['s', '/season'],
      ['a', '/animals'],
      ['e', '/eggs'],
      ['n', '/nursery'],
      ['f', '/feeders'],
      ['p', '/places'],
      ['m', '/almanac'],
      ['h', '/settings'],
      ['r', '/round'],
    ] as const) {
      await visit.page.keyboard.press('g')
      await visit.page.keyboard.press(key)
      await visit.until(path, (p: string) => location.pathname === p, path)
    }
    await visit.page.keyboard.type('?')
    await visit.untilText('[role="dialog"]', 'Write a log line')
    await visit.page.keyboard.press('Escape')
    await visit.untilGone('[role="dialog"]')
    await visit.page.keyboard.press('/')
    await visit.see('[role="dialog"] input')
    await visit.page.keyboard.type('KY-07')
    await visit.untilText('[role="dialog"]', 'KY-07')
    await visit.page.keyboard.press('Enter')
    await visit.until('the animal’s page', () => location.pathname.startsWith('/animals/'))
    await visit.untilText('h1', 'KY-07')
  })
})

describe('the other screens', () => {
  it('filters and sorts animals and remembers it', async () => {
    await visit.go('/animals')
    await visit.page.type('input[aria-label="Filter"]', 'rosy female')
    await visit.untilText('main', '4 animals')
    await visit.press('Weight', 'thead')
    await visit.page.reload({ waitUntil: 'load' })
    await visit.settle()
    await visit.untilText('main', '4 animals')
    const masses = await visit.page.$$eval('tbody tr', rows =>
      rows.map(r => Number.parseFloat((r.children[4] as HTMLElement)?.innerText)).filter(Number.isFinite),
    )
    expect(masses).toEqual([...masses].sort((a, b) => a - b))
    expect(masses.length).toBe(4)
  })

  it('records a meal on an animal’s page and shows it in the timeline', async () => {
    const id = Object.values((await house()).house.animals).find(a => a.tag === 'R-05')!.id
    await visit.go(`/animals/${id}`)
    await visit.press('Refused', '.record')
    await visit.untilText('ol', 'Refused 1')
    await visit.press('Undo')
    await visit.untilText('ol', 'taken back')
  })

  it('a cleared or a future day is told beside its field, and nothing can be written until it is right', async () => {
    const id = Object.values((await house()).house.animals).find(a => a.tag === 'R-05')!.id
    await visit.go(`/animals/${id}`)
    const day = '.record [data-segment="day"]'
    const shed = () =>
      visit.page.$$eval('.record button', bs =>
        (bs.find(b => b.innerText.trim() === 'Shed') as HTMLButtonElement).matches(':disabled'),
      )
    expect(await shed()).toBe(false)
    await visit.click(day)
    await visit.page.keyboard.press('Backspace')
    await visit.page.keyboard.press('Backspace')
    await visit.untilText('.record', 'Write a day, or pick one')
    expect(await shed()).toBe(true)
    await visit.click(day)
    await visit.page.keyboard.type('30')
    await visit.untilText('.record', 'This day is still to come')
    await visit.click(day)
    await visit.page.keyboard.type('20')
    await visit.until(
      'the field to be right',
      () => !document.querySelector('.record')!.textContent!.includes('still to come'),
    )
    await visit.press('Shed', '.record')
    await visit.untilText('ol', 'Shed')
    expect((await house()).house.animals[id]!.lastShed!.day).toBe(Date.UTC(2026, 10, 20) / 86_400_000)
    await visit.press('Undo')
    await visit.untilText('ol', 'taken back')
  })

  it('sets an own number in the almanac, shown as such, and puts it back', async () => {
    await visit.go('/almanac#fly.large')
    await visit.untilText('article', 'yield total')
    const number = '[data-path="feeders.fly.large.supply.yieldTotal.value"]'
    await visit.click(number)
    await visit.retype('form input[inputmode="decimal"]', '500')
    await visit.page.keyboard.press('Enter')
    await visit.untilText(number, '500')
    await visit.untilText(number, 'yours')
    await visit.untilGone('form input[inputmode="decimal"]')
    await visit.click(number)
    await visit.press('Put back')
    await visit.untilText(number, '700')
  })

  it('picks a cup on the shelf by keyboard and records that it produces', async () => {
    await visit.go('/feeders')
    await visit.see('[data-cup="FS-3"]')
    await visit.page.$eval('[data-cup="FS-3"]', e => (e as SVGElement).focus())
    await visit.page.keyboard.press('Enter')
    await visit.press('Producing', '[data-culture="FS-3"]')
    await visit.see('.cup.producing[data-cup="FS-3"]')
  })

  it('makes young of a litter animals of their own', async () => {
    await visit.go('/nursery')
    await visit.press('Give tags', '[data-clutch="L-1"]')
    await visit.press('Give tags', 'form')
    await visit.untilText('body', '5 tagged, L-1-01 to L-1-05')
    await visit.untilText('[data-litter]', 'L-1-05')
  })
})

describe('a group without tags', () => {
  const group = async (tag: string) => Object.values((await house()).house.groups).find(g => g.tag === tag)!

  it('is added, counted in the Round, and one that is missing is told until it is written as lost', async () => {
    await visit.go('/animals')
    await visit.press('Add a group')
    await visit.see('[role="dialog"] input[name="tag"]')
    await visit.page.type('[role="dialog"] input[name="tag"]', 'TF-1')
    await visit.press('Add group', '[role="dialog"]')
    // nothing chosen: both are said beside their fields, and nothing is written
    await visit.untilText('[role="dialog"]', 'A group has at least one animal')
    expect(Object.values((await house()).house.groups).map(g => g.tag)).toEqual(['NF'])
    await visit.press('Choose', '[role="dialog"]')
    await visit.see('[role="option"]')
    await visit.page.keyboard.type('Fire-bellied toad')
    await visit.page.keyboard.press('Enter')
    await visit.retype('[role="dialog"] input[name="unknown"]', '9')
    // what was wrong goes away a moment later, and the button moves up
    await visit.until(
      'all to be right',
      () => !document.querySelector('[role="dialog"]')!.textContent!.includes('at least one'),
    )
    await visit.press('Add group', '[role="dialog"]')
    await visit.untilText('h1', 'TF-1')
    expect(await group('TF-1')).toMatchObject({ numbers: { male: 0, female: 0, unknown: 9 } })
    const { id } = await group('TF-1')
    await visit.move('/round')
    await visit.press('Counted', `[data-task="count:${id}"]`)
    await visit.see('[role="dialog"] input')
    await visit.page.keyboard.type('7')
    await visit.page.keyboard.press('Enter')
    await visit.untilGone(`[data-task="count:${id}"]`)
    await visit.move(`/groups/${id}`)
    await visit.untilText('main', 'TF-1: 2 not found when counted today')
    await visit.retype('input[aria-label="How many"]', '2')
    await visit.press('Lost')
    await visit.untilText('h1', 'TF-1: 7')
    await visit.until('the alarm to end', () => !document.querySelector('main')!.textContent!.includes('not found'))
    // more than are there is refused in words, and nothing is written
    await visit.retype('input[aria-label="How many"]', '8')
    await visit.press('Sold')
    await visit.untilText('[role="alert"]', 'TF-1 has 7')
    await visit.expectRefusal(422)
  })

  it('a line of the log feeds it, and some are given tags', async () => {
    await visit.go('/animals')
    await visit.page.type('input[placeholder^="T-14"]', 'NF lost 1: dried out')
    await visit.press('Write')
    await expect.poll(async () => (await group('NF')).numbers.unknown).toBe(15)
    await visit.click('[data-group="NF"] a')
    await visit.untilText('h1', 'NF Froglets of spring: 15')
    await visit.press('Give tags')
    await visit.press('Give tags', 'form')
    await visit.untilText('h1', 'NF Froglets of spring: 14')
    const tagged = Object.values((await house()).house.animals).find(a => a.tag === 'NF-01')!
    expect(tagged).toMatchObject({ speciesId: 'golden-mantella', groupId: (await group('NF')).id, damId: null })
    await visit.undo('1 tagged')
    await visit.untilText('h1', 'NF Froglets of spring: 15')
  })
})

describe('an animal that is not well', () => {
  it('signs are chosen from what one sees; what the vet ordered is due in the Round, in their words', async () => {
    const { id } = Object.values((await house()).house.animals).find(a => a.tag === 'O-05')!
    await visit.go(`/animals/${id}`)
    const health = 'section.health'
    await visit.click(`${health} button[aria-label="Signs seen"]`)
    await visit.see('[role="option"]')
    await visit.page.keyboard.type('mites')
    await visit.page.keyboard.press('Enter')
    await visit.page.keyboard.press('Escape')
    await visit.press('Write signs', health)
    await visit.untilText('.alarms, main', 'O-05 was found not well today: mites')
    await visit.click(`${health} details:last-of-type summary`)
    const field = (label: string) =>
      `xpath///section[@aria-label="Health"]//label[contains(., "${label}")]/following::input[1]`
    await visit.retype(field('What is given'), 'the vet’s wash')
    await visit.retype(field('Dose'), 'as on their sheet')
    await visit.press('Begin treatment', health)
    await visit.see('[data-treatment="the vet’s wash"]')
    await visit.move('/round')
    const line = '[data-task^="treat:"]'
    await visit.see(line)
    expect(await visit.text(line)).toMatch(/O-05[\s\S]*Give the vet’s wash, 1 of 7[\s\S]*as on their sheet/)
    await visit.press('Given', line)
    await visit.untilGone(line)
    await visit.go(`/animals/${id}`)
    await visit.untilText('[data-treatment="the vet’s wash"]', '1 of 7 given')
  })
})
