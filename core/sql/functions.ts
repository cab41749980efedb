import type { Args, FunctionName, Type } from '../expressions'

/** A function in SQL, from its arguments in SQL. */
export type WriteFunction = (args: Args<string>, types: Args<Type>, given: Type) => string

const plain =
  (name: string): WriteFunction =>
  (args) =>
    `${name}(${args.join(', ')})`

const extract =
  (unit: string): WriteFunction =>
  ([of]) =>
    `EXTRACT(${unit} FROM ${of})`

/** Every function as MariaDB writes it. */
export const functionSql: Readonly<Record<FunctionName, WriteFunction>> = {
  UPPER: plain('UPPER'),
  LOWER: plain('LOWER'),
  TRIM: plain('TRIM'),
  CHAR_LENGTH: plain('CHAR_LENGTH'),
  POSITION: ([a, b]) => `LOCATE(${a} COLLATE utf8mb4_bin, ${b} COLLATE utf8mb4_bin)`,
  SUBSTRING: ([a, from, many]) =>
    many === undefined
      ? `SUBSTRING(${a}, GREATEST(${from}, 1))`
      : `SUBSTRING(${a}, GREATEST(${from}, 1), GREATEST(${from} + ${many} - GREATEST(${from}, 1), 0))`,
  ABS: plain('ABS'),
  MOD: ([a, b]) => `(MOD(${a}, ${b}) + 0)`,
  ROUND: ([a], _types, given) => `ROUND(${a}, ${given.is === 'exact' ? given.scale : 0})`,
  CEILING: plain('CEILING'),
  FLOOR: plain('FLOOR'),
  'EXTRACT YEAR': extract('YEAR'),
  'EXTRACT MONTH': extract('MONTH'),
  'EXTRACT DAY': extract('DAY'),
  'EXTRACT HOUR': extract('HOUR'),
  'EXTRACT MINUTE': extract('MINUTE'),
}
