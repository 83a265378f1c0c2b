import { describe, expect, it } from 'vitest'
import type { SeasonSnapshot } from '#shared/contracts/house'
import { Visit } from './browser'
import { chromium, server, serveDemo, snapshot, visit } from './demo'

serveDemo({ each: true })

const house = snapshot
const season = () => fetch(`${server.address}/api/season`).then(r => r.json() as Promise<SeasonSnapshot>)
const animal = async (tag: string) => Object.values((await house()).house.animals).find(a => a.tag === tag)!
const page = async (tag: string, part = '') => visit.go(`/animals/${(await animal(tag)).id}${part}`)

describe('a pair', () => {
  it('is set at the female with a male of her kind, after what the bench says of the two', async () => {
    const { id } = await animal('K-04')
    const pairs = async () => Object.values((await house()).house.pairings).filter(p => p.damId === id)
    await page('K-04')
    await visit.press('Set pair')
    await visit.click('[role="dialog"] [aria-label="Male: Unknown"]')
    await visit.see('[role="option"]')
    await visit.page.keyboard.press('Enter')
    await visit.untilText('[role="dialog"]', 'Eats snakes: never two together unattended')
    await visit.until('the verdict', () => /^(Fits|Wait|Doubtful|Not to be paired): /m.test(document.body.innerText))
    await visit.press('Set pair', '[role="dialog"]')
    await visit.untilText('body', 'K-04 set with')
    const [pair] = await pairs()
    expect(pair!.sireId).not.toBeNull()
    expect((await house()).house.animals[pair!.sireId!]).toMatchObject({ status: 'alive' })
    await visit.undo('K-04 set with')
    await expect.poll(async () => (await pairs()).length).toBe(0)
  })
})

describe('sexing', () => {
  it('draws every piece, and takes a sex that is past the threshold from the Round', async () => {
    await page('KY-01', '#sex')
    await visit.untilText('.sex .answer', 'Male, 99.9')
    expect(await visit.page.$$eval('[data-piece]', es => es.length)).toBe(3)
    await visit.go('/round')
    const task = `[data-task="sex:${(await animal('KY-01')).id}"]`
    await visit.press('Take as male', task)
    await visit.untilGone(task)
    expect((await animal('KY-01')).sex).toBe('male')
  })

  it('names what does not go together, and offers what would tell most, never a probe for a hatchling', async () => {
    await page('KY-03', '#sex')
    await visit.untilText('.sex', 'look again, and at the tag')
    await visit.untilText('.sex', 'too small: not under 60 g')
    await visit.press('Tail shape: female', '[data-offer="sign:tailShape"]')
    await visit.until('a third bar', () => document.querySelectorAll('[data-piece]').length === 3)
    await visit.press('Count', '[data-offer="subcaudals"]')
    await visit.answer('55')
    await visit.untilText('body', '55 subcaudals')
    expect((await animal('KY-03')).sexEvidence).toHaveLength(4)
    await visit.click('.sex .answer .working-link')
    await visit.untilText('[role="dialog"]', 'since it is not the first of its sort')
  })

  it('says what is wrong with a count, and shows how to go about it without harm', async () => {
    await page('R-04', '#sex')
    await visit.see('.sex')
    await visit.page.$$eval('.sex details', ds =>
      ds.forEach(d => {
        ;(d as HTMLDetailsElement).open = true
      }),
    )
    await visit.press('Scales passed', '[data-offer="probe"]')
    await visit.answerWrongly('40')
    await visit.untilText('body', 'No probe passes over 25 scales')
    await visit.expectRefusal(422)
    await visit.untilText('details.guide', 'Stop at the first resistance')
    expect(await visit.page.$$eval('details.guide svg[role="img"]', es => es.length)).toBe(3)
  })
})

describe('the bench', () => {
  it('chooses pairs for twelve females and five males with reasons, by keyboard', async () => {
    await visit.go('/pairing')
    await visit.press('Bench')
    await visit.untilText('[aria-label="Bench"]', '12 females × 5 males')
    await visit.page.focus('[data-cell="0,0"]')
    await visit.page.keyboard.press('ArrowDown')
    await visit.until('the focus to move', () => (document.activeElement as HTMLElement).dataset.cell === '1,0')
    await visit.page.keyboard.press('ArrowRight')
    await visit.until('the focus to move', () => (document.activeElement as HTMLElement).dataset.cell === '1,1')
    await visit.page.keyboard.press('Enter')
    await visit.untilText('[role="dialog"]', 'Why, step by step')
    await visit.untilText('[role="dialog"]', 'Old enough to breed')
    await visit.untilText('[role="dialog"]', 'this pair brings')
    await visit.press('Keep in the suggestion', '[role="dialog"]')
    await visit.see('.cell.kept')
    await visit.untilText('[data-suggested="G-02"]', 'G-02 × G-09')
    expect(await visit.text('[aria-label="Bench"]')).toMatch(/too near kin|×/)
  })

  it('shows why kin are not paired, and weighs a wished look', async () => {
    await visit.go('/pairing')
    await visit.press('Bench')
    await visit.see('[data-cell="8,0"]')
    expect(await visit.page.$eval('[data-cell="8,0"]', e => e.getAttribute('aria-label'))).toMatch(
      /G-12 with G-08: not to be paired, too near kin: young inbred by 25\.0 %/,
    )
    await visit.press('Wish: Wished looks: any')
    await visit.see('[role="option"]')
    await visit.page.keyboard.type('bright')
    await visit.page.keyboard.press('Enter')
    await visit.page.keyboard.press('Escape')
    await visit.until('the wish to count', () =>
      /as wished|none of its young/.test(document.querySelector('[data-cell="7,0"]')?.getAttribute('aria-label') ?? ''),
    )
  })

  it('sets a suggested pair, and it is next on the rota', async () => {
    await visit.go('/pairing')
    await visit.press('Bench')
    await visit.see('[data-suggested="G-15"]')
    const at = await visit.page.$$eval('.cell.chosen', cs =>
      cs.map(c => c.getAttribute('aria-label')!).find(l => l.startsWith('G-15')),
    )
    const sire = /with (G-\d+)/.exec(at!)![1]!
    await visit.page.$$eval('.cell', cs =>
      (
        cs.find(c => c.classList.contains('chosen') && c.getAttribute('aria-label')!.startsWith('G-15')) as HTMLElement
      ).click(),
    )
    await visit.press('Set this pair', '[role="dialog"]')
    await visit.untilText('body', `G-15 set with ${sire}`)
    const { house: h } = await house()
    const pairing = Object.values(h.pairings).find(p => h.animals[p.damId]!.tag === 'G-15')!
    expect((await season()).season.breeding.rota.some(v => v.pairingId === pairing.id)).toBe(true)
  })
})

describe('the rota and what is due', () => {
  it('puts a male in, sees a lock, and plans anew', async () => {
    await visit.go('/pairing')
    await visit.press('Rota')
    // she laid yesterday: weighed first, then the male goes in
    await visit.untilText('[data-unvisited="G-11"]', 'weigh her after laying')
    const before = (await animal('G-11')).weights.at(-1)!.massG
    await visit.press('Weight', '[data-task^="after:"]')
    await visit.answer(String(before))
    await visit.untilText('[data-rota="G-16"]', 'today to G-11')
    const id = await visit.page.$eval('[data-task^="introduce:"]', e =>
      (e as HTMLElement).dataset.task!.slice('introduce:'.length),
    )
    await visit.press('Introduced', `[data-task="introduce:${id}"]`)
    await visit.untilText('[data-rota="G-16"]', 'with G-11 to')
    await visit.press('Lock', `[data-task="visit:${id}"]`)
    await visit.untilGone(`[data-task="visit:${id}"]`)
    expect((await house()).house.pairings[id]!.locks).toHaveLength(2)
  })

  it('opens a pair from its bar by Space, and says who gets no visit and why', async () => {
    await visit.go('/pairing')
    await visit.press('Rota')
    await visit.untilText('[data-unvisited="K-02"]', 'ready about')
    await visit.page.$eval('[data-rota="K-08"] .visit', e => (e as SVGGElement).focus())
    await visit.page.keyboard.press('Space')
    await visit.untilText('[role="dialog"]', 'K-03')
  })

  it('reads the lay window after lock and shed, with its working', async () => {
    await visit.go('/pairing')
    await visit.press('Due')
    await visit.untilText('[data-due="P-1"]', 'laying')
    // by hand: Beta(2.4, 3.6) on 6.5–16.5 days after the shed of 21 Nov, with 4 % later: 10, 50 and 90 % by day 8, 10
    // and 14
    expect(await visit.text('[data-due="P-1"]')).toMatch(/laying 1 Dec \(29 Nov–5 Dec\)/)
    await visit.click('[data-due="P-1"] .working-link')
    await visit.untilText('[role="dialog"]', 'From pre-lay shed to laying')
  })

  it('a female that lost too much is told to rest, and the Round ends her season', async () => {
    const gecko = await animal('G-11')
    const lost = Math.round(gecko.weights.at(-1)!.massG * 0.7)
    await visit.go('/round')
    await visit.page.keyboard.press('l')
    await visit.page.keyboard.type(`G-11 ${lost} g`)
    await visit.untilText('form.log', `G-11 weighs ${lost} g`)
    await visit.page.keyboard.press('Enter')
    await visit.untilText('[data-task^="rest:"]', 'Let her rest: end the season')
    await visit.go('/pairing')
    await visit.untilText('[data-due="P-9"]', 'Rest: 7')
    await visit.go('/round')
    await visit.press('Season ended', '[data-task^="rest:"]')
    await visit.untilGone('[data-task^="rest:"]')
  })
})

describe('genes', () => {
  it('crosses two invented parents, proves a possible het, and finds a way', async () => {
    await visit.go('/genes')
    await visit.untilText('[data-testid="looks"]', 'wild look')
    expect(await visit.text('[data-look="ash"]')).toMatch(/25 %/)
    await visit.press('Genotypes')
    await visit.untilText('[data-testid="genotypes"]', 'a/a')
    // from 66 % with a mate that shows it: 6 and 8 young, by hand
    expect(await visit.text('[data-testid="proving"]')).toMatch(/95 %: 6 more[\s\S]*99 %: 8 more/)
    await visit.press('Wished: Ash')
    await visit.see('[role="option"]')
    await visit.until('the list to take keys', () => document.activeElement?.closest('[role="listbox"]') !== null)
    await visit.page.keyboard.press('End')
    await visit.until('the last to be lit', () => document.activeElement?.textContent?.includes('a/a'))
    await visit.page.keyboard.press('Enter')
    await visit.untilText('[aria-label="Wished: Ash"]', 'a/a')
    // while the list closes nothing under it takes a click
    await visit.untilGone('[role="listbox"]')
    await visit.press('Find the way')
    await visit.untilText('[data-testid="route"]', 'generation')
    expect(await visit.text('[data-testid="route"]')).toMatch(/young raised, inbred by/)
  })

  it('knows what a king carries from its young, and refuses a bad locus where it is wrong', async () => {
    await page('K-04', '#genes')
    // two of its twelve young are ash: it carries
    await visit.untilText('[data-locus="Ash"]', '+/a')
    await visit.go('/genes')
    await visit.press('Name a locus')
    await visit.press('Name locus', '[role="dialog"]')
    await visit.untilText('[role="dialog"]', 'A locus needs a name')
    await visit.page.type('[role="dialog"] input[placeholder="Ash"]', 'Slate')
    await visit.page.type('[role="dialog"] input[placeholder="a"]', '+')
    await visit.page.type('[role="dialog"] input[placeholder="ash"]', 'slate')
    await visit.press('Name locus', '[role="dialog"]')
    await visit.untilText('[role="dialog"]', 'kept for the wild allele')
    // how common it is where nothing is known: refused beside its field, then kept as a share
    await visit.retype('[role="dialog"] input[placeholder="a"]', 's')
    await visit.retype('[role="dialog"] input[inputmode="decimal"]', '40')
    await visit.press('Name locus', '[role="dialog"]')
    await visit.untilText('[role="dialog"]', 'At most 15 %')
    await visit.retype('[role="dialog"] input[inputmode="decimal"]', '10')
    await visit.press('Name locus', '[role="dialog"]')
    await visit.untilGone('[role="dialog"]')
    const slate = Object.values((await house()).house.loci).find(l => l.name === 'Slate')!
    expect(slate.unstatedShare).toBe(0.1)
    await visit.undo('Locus Slate named')
  })
})

describe('lineage', () => {
  it('draws a loop once, states parents, and refuses an animal as its own ancestor', async () => {
    await page('KY-05', '#lineage')
    await visit.untilText('.lineage', 'Inbred by')
    await visit.go(`/pedigree/${(await animal('KY-05')).id}`)
    await visit.see('[data-ancestor="KA-1"]')
    expect(await visit.page.$$eval('[data-ancestor="KA-1"]', es => es.length)).toBe(1)
    expect(await visit.page.$$eval('.link.loop', es => es.length)).toBeGreaterThan(2)
    await page('KA-5', '#lineage')
    await visit.press('State parents')
    await visit.press('Dam: KA-2', '.lineage form')
    await visit.see('[role="option"]')
    await visit.page.keyboard.type('K-04')
    await visit.page.keyboard.press('Enter')
    await visit.press('Write parents')
    await visit.untilText('body', 'is not older than KA-5')
    await visit.expectRefusal(422)
  })

  it('takes a list, all or none', async () => {
    await visit.go('/animals')
    await visit.press('Add a list')
    await visit.see('[role="dialog"] textarea')
    await visit.page.type('[role="dialog"] textarea', 'tag,species,dam\nZ-1,Rosy boa,R-01\nZ-2,Rosy bear,')
    await visit.press('Add 2 animals', '[role="dialog"]')
    await visit.untilText('[role="dialog"]', 'Row 2: the almanac has no species “Rosy bear”')
    await visit.page.$eval('[role="dialog"] textarea', e => {
      ;(e as HTMLTextAreaElement).value = 'tag,species,dam\nZ-1,Rosy boa,R-01'
      e.dispatchEvent(new Event('input', { bubbles: true }))
    })
    await visit.press('Add 1 animal', '[role="dialog"]')
    await visit.untilText('body', '1 animal added')
    expect((await animal('Z-1')).damId).toBe((await animal('R-01')).id)
  })
})

describe('on a phone', () => {
  it('opens a pair of the bench and records with the rota by thumb', async () => {
    const phone = await Visit.start(chromium.browser, server.address, { phone: true })
    await phone.go('/pairing')
    await phone.tap('Bench')
    await phone.see('[data-cell="2,1"]')
    await phone.page.tap('[data-cell="2,1"]')
    await phone.untilText('[role="dialog"]', 'Why, step by step')
    await phone.page.keyboard.press('Escape')
    await phone.untilGone('[role="dialog"]')
    await phone.tap('Rota')
    await phone.tap('Lay together', '[data-task^="visit:"]')
    await phone.untilText('body', 'lay together')
    expect(phone.complaints).toEqual([])
    await phone.close()
  })
})
