import type { Edit, Report } from '@/core/book'
import type { DesignWriter } from '../design'

/** The reports that the office prints. */
export function emberlyReports(design: DesignWriter): void {
  const keep = (id: string, list: string, name: string, more: Partial<Report> = {}) => {
    const edit: Edit = {
      kind: 'addReport',
      id,
      list,
      name,
      paper: { size: 'a4', margin: 18 },
      letters: 9,
      rows: 'lines',
      room: 'usual',
      ...more,
    }
    design.make(edit)
  }
  keep('report-visits-town', 'list-visits-town', 'Visits by town', { letters: 8, chart: 'with' })
  keep('report-takings', 'list-takings', 'Takings by week', {
    rows: 'tint',
    room: 'tight',
    chart: 'with',
  })
  keep('report-certificates', 'list-certificates', 'Certificates to renew', {
    opening: 'Ring each of these before the day, and offer a visit in the same week.',
  })
}
