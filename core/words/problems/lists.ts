/** Wrong with a list: what it asks for is no longer there, or can't be asked so. */
export const listProblems = {
  'list-way-gone': ({ table }: { readonly table: string }) =>
    `${table} no longer leads to what this asks for. Choose it again, or take it out.`,
  'list-field-gone': ({ table }: { readonly table: string }) =>
    `This asks for a field that ${table} no longer has. Choose another, or take it out.`,
  'list-several-in-one': ({ what }: { readonly what: string }) =>
    `There may be several ${what}. Say whether they go together in one place, on a line each, or are counted.`,
  'list-one-as-several': ({ what }: { readonly what: string }) => `There is never more than one ${what} here.`,
  'list-compares-several': ({ what }: { readonly what: string }) =>
    `There may be several ${what}. Ask for those that have one of which this is so.`,
  'list-cannot-compare': ({ field, how }: { readonly field: string; readonly how: string }) =>
    `${field} can’t be asked whether it ${how}. Choose another way to compare.`,
  'list-value-missing': ({ field }: { readonly field: string }) => `Write what ${field} is compared with.`,
  'list-value-wrong': ({ field, value }: { readonly field: string; readonly value: string }) =>
    `“${value}” is nothing that ${field} could hold. Write another value.`,
  'list-ask-gone': () => 'This asks for a value that nobody is asked for any more. Write a value.',
  'list-ask-twice': ({ words }: { readonly words: string }) =>
    `Two things are asked for by the same words: “${words}”.`,
  'list-gathers-nothing': ({ name }: { readonly name: string }) => `Choose the field of which the ${name} is taken.`,
  'list-cannot-gather': ({ field, name }: { readonly field: string; readonly name: string }) =>
    `There is no ${name} of ${field}. Choose another field, or count.`,
  'list-counts-the-wrong-way': () => 'It asks for at least more than at most. Turn the two numbers round.',
  'list-scatter-needs-two': () =>
    'A scatter puts two numbers of each group against each other. Choose both, or draw it otherwise.',
  'edition-gone': () => 'These pages are no longer there. Lay them again.',
  'list-days-the-wrong-way': () => 'The first of the two days is after the last. Turn them round.',
  'list-in-gone': ({ table }: { readonly table: string }) =>
    `This asks for what is in a list of ${table} that is no longer kept. Choose another, or take it out.`,
  'list-in-circle': ({ name }: { readonly name: string }) =>
    `The list ${name} asks in its turn for what is in this one. Take one of the two out.`,
  'list-in-open': ({ name }: { readonly name: string }) =>
    `The list ${name} is asked something each time, or shows only the first of its records, so it can’t be told what is in it. Choose another.`,
  'list-in-wrong': ({ name }: { readonly name: string }) =>
    `Something in the list ${name} is wrong. Open it and put right what is marked there.`,
  'list-order-gone': () => 'It is put in order by a column that it no longer has. Choose another.',
  'list-order-several': ({ column }: { readonly column: string }) =>
    `${column} may hold several values, so nothing can be put in order by it. Count them, or choose another column.`,
  'list-along-what': ({ heading }: { readonly heading: string }) =>
    `${heading} goes along with a column of numbers that the list no longer has. Choose it again, or take it out.`,
  'list-order-along': ({ column }: { readonly column: string }) =>
    `${column} follows from the order, so nothing can be put in order by it. Choose another column.`,
  'list-groups-several': ({ what }: { readonly what: string }) =>
    `There may be several ${what}, so a record would stand in several groups. Group by something else, or begin the list with them.`,
  'list-cannot-group': ({ field }: { readonly field: string }) =>
    `Nothing can be grouped by ${field}. Choose another field.`,
  'list-cannot-step': ({ field }: { readonly field: string }) =>
    `${field} can’t be grouped in this manner. Choose another one.`,
  'list-group-order-gone': () =>
    'Its groups are put in order by a figure that it no longer has. Choose another order for them.',
  'list-crossed-needs-two': () => 'Crossing takes two things to group by: one for the rows, one for the columns.',
  'list-chart-needs-groups': () => 'A chart is of groups. Group the list by something.',
  'list-shown-gone': () =>
    'This shows a figure that no longer stands beneath a column. Choose another, or how many there are.',
  'list-figure-gone': () => 'Something is to stand beneath a column that the list no longer has. Choose it again.',
  'list-column-twice': () => 'Two columns go by the same name inside. Take one out and tick it again.',
  'list-calculation-wrong': ({ words }: { readonly words: string }) => `This can’t be calculated: ${words}`,
  'list-condition-no-truth': () => 'A condition is something that is true or not, such as a comparison.',
  'list-condition-missing': () => 'Choose what is asked in each of them, or take those out that ask nothing.',
  'list-count-missing': () => 'Write how many, as a whole number.',
  'list-full': ({ what, most }: { readonly what: string; readonly most: number }) =>
    `A list has at most ${most} ${what}. Take one out first.`,
  'list-too-many-values': ({ most }: { readonly most: number }) =>
    `There may be at most ${most} values here. Take some out.`,
  'list-cannot-run': () => 'Something in this list is wrong. Open it and put right what is marked.',
  'list-too-many-groups': ({ most }: { readonly most: number }) =>
    `There are more than ${most.toLocaleString('en-GB')} groups, too many to be put in this order. Group in bigger steps, or add a condition.`,
  'list-too-many-conditions': ({ most }: { readonly most: number }) =>
    `A list has at most ${most} conditions. Take some out.`,
}
