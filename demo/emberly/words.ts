// Made-up people, places and makes. Any likeness to real ones is chance.
export const firstNames =
  'Averil Ruan Odette Bram Sunniva Caspian Tamsin Leopold Ysolde Merrick Philippa Anselm Bryony Conrad Delphine Edric Fenella Gideon Hester Ivo Jessamy Kester Lavinia Magnus Nerys Osric Perpetua Quill Rosalind Silvan Thea Ulric Verity Winslow'.split(
    ' ',
  )
export const lastNames =
  'Teal Pike Marram Fallowell Quennell Ashlock Brindlecombe Cotterstock Dunnock Eddowes Fenwright Garrowby Hollinshaw Inglefield Jessop Kestle Larkrise Mossop Nettleship Orchardson Peverell Quarrington Rushbrook Sedgewick Thistleton Underhay Vellacott Wintringham Yarrowby'.split(
    ' ',
  )
export const streets =
  'Quay Lane,Tern Court,Weir Street,Chandler Row,Pinfold Road,Mill Bank,Saltern Way,Heron Close,Ropewalk,Lower Green,Cobble Hill,Orchard Rise,Ferry Road,Lantern Street,Staithe Lane,Beacon Terrace'.split(
    ',',
  )
export const houses =
  'The Old Bakehouse,Lydgate Hall,Pinfold Farm,Heron Cottage,Weir House,The Maltings,Beacon Lodge,Tern Chapel,Saltern Barn,Orchard Cottage'.split(
    ',',
  )
export const towns = ['Otterby', 'Otterby', 'Otterby', 'Otterby', 'Netherweir', 'Saltmere', 'Upper Tern', 'Quenby']
export const accessNotes = [
  'Key with the neighbour at number 3.',
  'Dog in the yard; ring first.',
  'Park in the lane, not on the verge.',
  'Side gate sticks: lift it.',
  'Loft ladder is in the garage.',
  'Flue access through the attic room.',
]
export const makes: readonly (readonly [string, readonly string[]])[] = [
  ['Dunlin', ['3', '5', '8', '5 Wide']],
  ['Corvo', ['Insert', 'Insert Large', 'Freestand']],
  ['Halyard', ['Range', 'Boiler 20', 'Boiler 30']],
  ['Brackley', ['Parlour', 'Study', 'Hall']],
  ['Nordholm', ['Pellet 7', 'Pellet 9']],
]
export const rooms = ['sitting room', 'kitchen', 'study', 'dining room', 'workshop', 'hall', 'snug', 'back bedroom']
export const fuels = ['wood', 'smokeless coal', 'multi-fuel', 'pellets', 'oil', 'gas']
export const roles = ['owner', 'tenant', 'agent']
export const ways = ['card', 'bank transfer', 'cash']
export const services: readonly (readonly [string, string, string])[] = [
  ['SWEEP1', 'Sweep, single flue', '62.00'],
  ['SWEEP2', 'Sweep, further flue', '48.00'],
  ['SMOKE', 'Smoke test', '42.00'],
  ['CAMERA', 'Camera survey of a flue', '95.00'],
  ['SERVICE', 'Stove service', '88.00'],
  ['NEST', 'Nest taken out', '55.00'],
  ['COWL', 'Cowl fitted', '75.00'],
  ['SEAL', 'Rope seal changed', '18.50'],
  ['CALL', 'Call-out', '35.00'],
]
export const parts: readonly (readonly [string, string, string])[] = [
  ['ROPE-10', 'Rope seal, 10 mm, a metre', '4.20'],
  ['ROPE-12', 'Rope seal, 12 mm, a metre', '4.80'],
  ['GLASS-S', 'Stove glass, small', '38.00'],
  ['GLASS-L', 'Stove glass, large', '56.00'],
  ['BRICK', 'Fire brick', '12.50'],
  ['BAFFLE', 'Baffle plate', '44.00'],
  ['COWL-B', 'Bird cowl', '36.00'],
  ['COWL-R', 'Rain cowl', '29.00'],
  ['ALARM', 'Carbon monoxide alarm', '22.00'],
]
export const tickets = [
  'Solid fuel safety',
  'Working at height',
  'Oil appliances',
  'Gas appliances',
  'Camera survey',
  'First aid',
]
export const visitNotes = [
  'Swept clean, draught good.',
  'Some tar; burn drier wood.',
  'Cap loose on the north stack, quoted.',
  'Customer will ring about a new baffle.',
  'Bird nest in the left flue, removed.',
  'Glass cracked, replacement ordered.',
]
