const set = (words: string) => new Set(words.trim().split(/\s+/))

/** Last words of names that nearly always name a fact about something, not a thing with facts of its own. */
export const attributeHeads = set(`
name surname title description address street town city postcode zip country county region village location place
phone telephone mobile fax email e-mail website url number code reference id date day time year month hour hours minute
minutes deadline birthday age price cost fee fare wage salary rate charge total amount value deposit discount rent tax
vat quantity count capacity size weight height length width depth area volume temperature colour color shape material
status state stage level grade mark score rating priority urgency type kind sort category-name condition reason purpose
result outcome remark remarks comment comments note notes text summary instructions directions details allergies
duration term period interval expiry unit brand make maker manufacturer model-name version edition language gender sex
nationality occupation profession trade initials nickname password signature photo photograph picture scan logo barcode
isbn iban mileage registration serial latitude longitude distance share percentage percent profit balance salutation
position stock plate tag vintage grape species breed variety-name diameter genre-name subject headline caption method
way means density dose dosage frequency extension department-name field weekday insurance number-plate shelf-mark
username login spelling pronunciation origin destination habitat dimensions finish pattern fabric composer author-name
opponent kick-off half-time attendance-count capacity quantity-on-hand`)

/** Words that never become a table: the office itself, its tools, small talk and empty words. */
export const noThings = set(`
we us system database program programme software computer application app spreadsheet sheet notebook paper excel firm
company business office shop organisation organization enterprise association-itself thing things everything something anything nothing
information data detail details record records list report overview table field form row column entry example way lot
kind kinds type types sort number part parts-of time times day days week weeks month months year years hour hours minute minutes
morning evening afternoon today tomorrow yesterday weekend night date moment while season past future end beginning
thanks thank regards hello hi dear help question questions answer problem mind idea matter case point fact reason
need needs wish requirement requirements chat call quick side hand hands place-in mess bit rest half most none one ones person-only
us team-only work-only use look glance advance addition order-to total moment summary cash card cheque check transfer
account-on instalment instalments installment installments euro pound dollar cent percent metre meter kilo gram litre
us everybody everyone people somebody someone anybody nobody it them reality general practice common average`)

/** Facts that need no owner said: after a happening they are facts about it. */
export const measureNouns = set(
  'number date day time year cost price amount place point method way means type kind name size length rate share state level sort reason cause degree percentage month range',
)

/** Generic person words that may be things of their own when the words give them facts. */
export const units = set(
  'metre metres meter meters centimetre centimetres cm mm km kilometre kilometres kilo kilos kilogram kilograms gram grams litre litres percent minutes minute hours hour days weeks months years euro euros pounds dollars square cubic degrees stars tonnes tons watts kilowatts kilowatt kwh volts amps knots nights pages',
)
