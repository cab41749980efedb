import { describe, expectTypeOf, test } from 'vitest'
import type { Checked } from './check/check'
import type { PartsOf } from './check/check-help'
import type { Node, Tree, TreeKind } from './tree'

// Held by the compiler: a node has just what its row in the table of shapes says.
describe('the type of a tree follows from its shapes', () => {
  test('there is a node for each kind, and each has a type', () => {
    expectTypeOf<Tree['kind']>().toEqualTypeOf<TreeKind>()
    expectTypeOf<Tree>().toHaveProperty('type')
  })

  test('parts are trees, and those that may be missing are optional', () => {
    expectTypeOf<Node<'binary'>['left']>().toEqualTypeOf<Tree>()
    expectTypeOf<Node<'case'>['whens']>().toEqualTypeOf<readonly (readonly [Tree, Tree])[]>()
    expectTypeOf<Node<'aggregate'>['where']>().toEqualTypeOf<Tree | undefined>()
    expectTypeOf<Pick<Node<'aggregate'>, 'kind' | 'type' | 'name' | 'link'>>().toExtend<Node<'aggregate'>>()
    expectTypeOf<Omit<Node<'aggregate'>, 'link'>>().not.toExtend<Node<'aggregate'>>()
  })

  test('a node can be read and not be changed', () => {
    expectTypeOf<Node<'fact'>['over']>().toEqualTypeOf<readonly string[]>()
    expectTypeOf<Node<'fact'>['over']>().not.toExtend<string[]>()
  })

  test('only what says so may be quiet, and a literal holds text or nothing', () => {
    expectTypeOf<Node<'cast'>['quiet']>().toEqualTypeOf<true | undefined>()
    expectTypeOf<Node<'literal'>['value']>().toEqualTypeOf<string | null>()
  })
})

test('what is checked is a tree or a problem with its place, never both', () => {
  expectTypeOf<Extract<Checked, { tree: Tree }>>().not.toHaveProperty('problem')
  expectTypeOf<Extract<Checked, { problem: unknown }>>().toHaveProperty('at')
})

test('as many parts are given as were written', () => {
  expectTypeOf<PartsOf<readonly [Tree, Tree]>['length']>().toEqualTypeOf<2>()
})
