export { dryRunOf, type DryRun, type DryTable, makeDryRun, throwAway, throwOldAway } from './dry-run'
