import { addDays } from '@/core/kinds'
import type { Values } from '@/core/records'
import { Dice } from '../dice'
import * as words from './words'

/** Adds rows to a table of the demo book and gives their references back. */
export type Add = (table: string, rows: readonly Values[]) => Promise<string[]>

const counts = { premises: 400, appliances: 900, visits: 2500, technicians: 9 }
const firstDay = '2024-04-02'
const lastDay = '2027-03-19'
/** Visits before this day are over. */
const today = '2026-11-20'
const days = Math.round((Date.parse(lastDay) - Date.parse(firstDay)) / 86_400_000)
const digits = (value: number, width: number) => String(value).padStart(width, '0')

/** Fills the demo book: about 400 premises, 900 appliances and 2 500 visits, the same every time. */
export async function addEmberlyRecords(add: Add): Promise<void> {
  const dice = new Dice(20_270_312)
  await addWords(add, dice)
  const premises = await addPremises(add, dice)
  const contactsOf = await addContacts(add, dice, premises)
  const appliancesOf = await addAppliances(add, dice, premises)
  const technicians = await addTechnicians(add, dice)
  await addVisits(add, dice, { premises, contactsOf, appliancesOf, technicians })
}

async function addWords(add: Add, dice: Dice): Promise<void> {
  await add(
    'fuel',
    words.fuels.map((word) => ({ fuel__key: word })),
  )
  await add(
    'role',
    words.roles.map((word) => ({ role__key: word })),
  )
  await add(
    'way-of-paying',
    words.ways.map((word) => ({ 'way-of-paying__key': word })),
  )
  await add(
    'service-item',
    words.services.map(([code, what, price]) => ({
      'service-item__key': code,
      'service-item__what-it-is': what,
      'service-item__list-price': price,
    })),
  )
  await add(
    'part',
    words.parts.map(([code, name, price]) => ({
      part__key: code,
      'part__part-name': name,
      'part__in-stock': String(dice.between(2, 60)),
      'part__list-price': price,
    })),
  )
}

const addPremises = (add: Add, dice: Dice) =>
  add(
    'premises',
    Array.from({ length: counts.premises }, (_, at) => ({
      premises__address: dice.chance(0.08)
        ? `${dice.of(words.houses)}${at % 3 === 0 ? '' : `, ${dice.of(words.streets)}`}`
        : `${dice.between(1, 90)} ${dice.of(words.streets)}`,
      premises__town: dice.of(words.towns),
      premises__postcode: `OT${dice.between(1, 9)} ${dice.between(1, 9)}${dice.of([...'ABDEFHJ'])}${dice.of([...'ABDEFHJ'])}`,
      'premises__access-note': dice.chance(0.3) ? dice.of(words.accessNotes) : null,
    })),
  )

async function addContacts(add: Add, dice: Dice, premises: readonly string[]): Promise<Map<string, string[]>> {
  const names = Array.from({ length: 430 }, () => `${dice.of(words.firstNames)} ${dice.of(words.lastNames)}`)
  const contacts = await add(
    'contact',
    names.map((name, at) => ({
      contact__name: name,
      'contact__e-mail': dice.chance(0.6) ? `${name.toLowerCase().replace(' ', '.')}${at}@otterby.example` : null,
    })),
  )
  const phones = contacts.flatMap((contact) => {
    const own = new Set(Array.from({ length: dice.between(1, 3) }, () => `01555 01${digits(dice.between(0, 99), 2)}`))
    return [...own].map((number, at) => ({
      'contact-phone__contact': contact,
      'contact-phone__number': number,
      'contact-phone__where': (['mobile', 'home', 'work'] as const)[at]!,
    }))
  })
  await add('contact-phone', phones)
  const contactsOf = new Map<string, string[]>()
  const ties = premises.flatMap((house, at) => {
    const own = [...new Set([contacts[at]!, ...(dice.chance(0.35) ? [dice.of(contacts)] : [])])]
    contactsOf.set(house, own)
    return own.map((contact, which) => ({
      'premises-contact__premises': house,
      'premises-contact__contact': contact,
      'premises-contact__role': which === 0 ? 'owner' : dice.of(['tenant', 'agent']),
    }))
  })
  await add('premises-contact', ties)
  return contactsOf
}

async function addAppliances(add: Add, dice: Dice, premises: readonly string[]): Promise<Map<string, string[]>> {
  const models = await add(
    'appliance-model',
    words.makes.flatMap(([make, names]) =>
      names.map((name) => ({
        'appliance-model__make': make,
        'appliance-model__model': name,
        'appliance-model__fuel':
          make === 'Nordholm'
            ? 'pellets'
            : make === 'Halyard'
              ? dice.of(['oil', 'gas', 'multi-fuel'])
              : dice.of(['wood', 'multi-fuel', 'smokeless coal']),
        'appliance-model__sweep-every': dice.of(['6', '12', '12', '12']),
      })),
    ),
  )
  const homes = Array.from({ length: counts.appliances }, (_, at) =>
    at < premises.length ? premises[at]! : dice.of(premises),
  )
  const appliances = await add(
    'appliance',
    homes.map((house, at) => ({
      appliance__premises: house,
      appliance__model: dice.of(models),
      appliance__room: dice.of(words.rooms),
      'appliance__serial-code': dice.chance(0.85) ? `00${digits(41_000 + at * 7, 6)}` : null,
      'appliance__fitted-on': dice.chance(0.8) ? addDays('2008-01-10', dice.between(0, 5900)) : null,
    })),
  )
  const of = new Map<string, string[]>()
  appliances.forEach((appliance, at) => of.set(homes[at]!, [...(of.get(homes[at]!) ?? []), appliance]))
  return of
}

async function addTechnicians(add: Add, dice: Dice): Promise<string[]> {
  const person = (at: number) => ({
    technician__name: `${words.firstNames[at * 3]!} ${words.lastNames[at * 3]!}`,
    technician__phone: `01555 01${digits(50 + at, 2)}`,
    'technician__started-on': addDays('2009-05-04', at * 640),
  })
  const [head] = await add('technician', [person(0)])
  const others = await add(
    'technician',
    Array.from({ length: counts.technicians - 1 }, (_, at) => ({ ...person(at + 1), technician__supervisor: head! })),
  )
  const technicians = [head!, ...others]
  const held = technicians.flatMap((technician, at) =>
    words.tickets
      .filter((_, which) => which < 2 || (at + which) % 3 === 0)
      .map((ticket) => ({
        ticket__technician: technician,
        'ticket__ticket-name': ticket,
        'ticket__valid-until': addDays(today, dice.between(-30, 900)),
      })),
  )
  await add('ticket', held)
  return technicians
}

interface Office {
  readonly premises: readonly string[]
  readonly contactsOf: ReadonlyMap<string, readonly string[]>
  readonly appliancesOf: ReadonlyMap<string, readonly string[]>
  readonly technicians: readonly string[]
}

/** The premises that were drawn, or the next ones that nobody goes to on that day. */
function freeHouse(premises: readonly string[], drawn: string, day: string, taken: Set<string>): string {
  let at = premises.indexOf(drawn)
  while (taken.has(`${premises[at]!} ${day}`)) at = (at + 1) % premises.length
  taken.add(`${premises[at]!} ${day}`)
  return premises[at]!
}

async function addVisits(add: Add, dice: Dice, office: Office): Promise<void> {
  const taken = new Set<string>()
  const plans = Array.from({ length: counts.visits }, (_, at) => {
    let day = addDays(firstDay, Math.floor((at * days) / counts.visits))
    if (new Date(`${day}T00:00Z`).getUTCDay() === 0) day = addDays(day, 1)
    const over = day < today
    const state = over ? (dice.chance(0.94) ? 'done' : 'cancelled') : day === today ? 'under way' : 'booked'
    return {
      day,
      state,
      house: freeHouse(office.premises, dice.of(office.premises), day, taken),
      ladder: dice.chance(0.7) ? `${dice.between(4, 24) / 2}` : null,
    }
  })
  const visits = await add(
    'visit',
    plans.map(({ day, state, house, ladder }) => ({
      visit__premises: house,
      'visit__call-first': dice.chance(0.8) ? (office.contactsOf.get(house)?.[0] ?? null) : null,
      'visit__booked-for': `${day}T${digits(dice.between(8, 16), 2)}:${dice.of(['00', '30'])}`,
      visit__state: state,
      'visit__ladder-height': ladder === null ? null : Number(ladder).toFixed(1),
      visit__tidiness: state === 'done' && dice.chance(0.4) ? dice.of(['3', '4', '4', '5', '5', '5']) : null,
      visit__note: state === 'done' && dice.chance(0.3) ? dice.of(words.visitNotes) : null,
    })),
  )
  const rows = {
    crew: [] as Values[],
    dealt: [] as Values[],
    lines: [] as Values[],
    used: [] as Values[],
    certificates: [] as Values[],
    payments: [] as Values[],
  }
  for (const [at, visit] of visits.entries()) planVisit(dice, office, plans[at]!, visit, rows)
  await add('visit-technician', rows.crew)
  await add('visit-appliance', rows.dealt)
  await add('work-line', rows.lines)
  await add('visit-part', rows.used)
  await add('certificate', rows.certificates)
  await add('payment', rows.payments)
}

interface Plan {
  readonly day: string
  readonly state: string
  readonly house: string
}

const money = (pence: number) => (pence / 100).toFixed(2)

/** In pence; the list went up a little each spring, in steps of ten pence. */
const priceOn = (day: string, price: string) => {
  const risen = day < '2025-04-01' ? 0.92 : day < '2026-04-01' ? 0.96 : 1
  return Math.round(Number(price) * risen * 10) * 10
}

function planVisit(
  dice: Dice,
  { appliancesOf, technicians }: Office,
  { day, state, house }: Plan,
  visit: string,
  rows: Record<'crew' | 'dealt' | 'lines' | 'used' | 'certificates' | 'payments', Values[]>,
): void {
  const done = state === 'done'
  const crew = [...new Set(Array.from({ length: dice.chance(0.25) ? 2 : 1 }, () => dice.of(technicians)))]
  crew.forEach((technician, which) =>
    rows.crew.push({
      'visit-technician__visit': visit,
      'visit-technician__technician': technician,
      'visit-technician__leads': which === 0 ? '1' : '0',
    }),
  )
  const own = appliancesOf.get(house) ?? []
  const dealt = own.filter((_, which) => which === 0 || dice.chance(0.7)).slice(0, 4)
  for (const appliance of dealt) {
    const passed = done && dice.chance(0.95)
    rows.dealt.push({
      'visit-appliance__visit': visit,
      'visit-appliance__appliance': appliance,
      'visit-appliance__flue-reading': done ? (dice.between(4, 60) / 1000).toString() : null,
      'visit-appliance__passed': passed ? '1' : '0',
    })
    if (done && dice.chance(0.9)) {
      rows.certificates.push({
        certificate__for: `${visit}~${appliance}`,
        'certificate__issued-on': day,
        'certificate__valid-until': addDays(day, 365),
        certificate__finding: passed ? dice.of(['safe', 'safe', 'safe', 'safe with advice']) : 'not safe',
      })
    }
  }
  if (state === 'cancelled') return
  const chosen = [
    ...new Set([
      words.services[0]!,
      ...dealt.slice(1).map(() => words.services[1]!),
      ...(dice.chance(0.5) ? [dice.of(words.services.slice(2))] : []),
    ]),
  ]
  let pence = 0
  for (const [code, , price] of chosen) {
    const quantity = code === 'SWEEP2' ? Math.max(1, dealt.length - 1) : 1
    const onTheDay = priceOn(day, price)
    pence += quantity * onTheDay
    rows.lines.push({
      'work-line__visit': visit,
      'work-line__service-item': code,
      'work-line__quantity': String(quantity),
      'work-line__price-each': money(onTheDay),
    })
  }
  if (done && dice.chance(0.2)) {
    const [part, , price] = dice.of(words.parts)
    const quantity = dice.between(1, 3)
    const onTheDay = priceOn(day, price)
    pence += quantity * onTheDay
    rows.used.push({
      'visit-part__visit': visit,
      'visit-part__part': part,
      'visit-part__quantity': String(quantity),
      'visit-part__price-each': money(onTheDay),
    })
  }
  if (!done || dice.chance(0.04)) return
  const parts = dice.chance(0.1) ? [Math.floor(pence / 2), pence - Math.floor(pence / 2)] : [pence]
  parts.forEach((part, which) =>
    rows.payments.push({
      payment__visit: visit,
      'payment__paid-on': addDays(day, which * 30 + dice.between(0, 12)),
      payment__amount: money(part),
      'payment__way-of-paying': dice.of(words.ways),
    }),
  )
}
