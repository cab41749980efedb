'use client'

import { limits, type Report } from '@/core/book'
import { nameOf, type ReadList } from '@/core/lists'
import { carriedFigures, shownIn } from '@/core/reports'
import { ChoiceBox, Labelled, PassageBox, TextBox, TickBox } from '@/ui/kit'
import { PaperChoices } from '../paper/paper-choices'
import { useRecords } from '../records-context'
import { ColumnChoices } from './column-choices'
import { LetterheadChoices } from './letterhead-choices'
import { chartWords, isCrossed, type ReportPart, usualChart } from './outline'

interface Props {
  readonly part: ReportPart
  readonly report: Report
  readonly read: ReadList
  readonly onChange: (to: Partial<Report>) => void
  /** Something that all reports share is another now: the pages are to be laid anew. */
  readonly onLaid: () => void
}

/** The choices of one part of a report. */
export function Choices(props: Props) {
  switch (props.part) {
    case 'heading':
      return <Heading {...props} />
    case 'opening':
    case 'closing':
      return <Words {...props} part={props.part} />
    case 'chart':
      return <Chart {...props} />
    case 'groups':
      return <Groups {...props} />
    case 'columns':
      return isCrossed(props.read) ? <CrossedColumns /> : <ColumnChoices {...props} />
    case 'rows':
      return <Rows {...props} />
    case 'letterhead':
      return <LetterheadChoices onLaid={props.onLaid} />
    case 'paper':
      return <PaperChoices paper={props.report.paper} letters={props.report.letters} onChange={props.onChange} />
  }
}

/** The columns of a crossed list are groups of it. */
const CrossedColumns = () => (
  <p className="text-[13px] text-ash-6">These are the groups of the list, crossed. They are changed there.</p>
)

function Heading({ report, onChange }: Props) {
  const { book } = useRecords()
  const list = book.lists.find(({ id }) => id === report.list)
  return (
    <>
      <Labelled label="Heading" htmlFor="report-name">
        <TextBox
          id="report-name"
          value={report.name ?? ''}
          maxLength={limits.nameLength}
          placeholder={list && nameOf(book, list)}
          onChange={(event) => onChange({ name: event.target.value || undefined })}
        />
      </Labelled>
      <TickBox
        id="report-asked"
        checked={!report.plain}
        label="With what was asked, beneath it"
        onChange={(asked) => onChange({ plain: asked ? undefined : true })}
      />
    </>
  )
}

function Words({ part, report, onChange }: Props & { readonly part: 'opening' | 'closing' }) {
  return (
    <Labelled label={part === 'opening' ? 'Opening words' : 'Closing words'} htmlFor={`report-${part}`}>
      <PassageBox
        id={`report-${part}`}
        rows={6}
        value={report[part] ?? ''}
        maxLength={limits.describeLength}
        onChange={(event) => onChange({ [part]: event.target.value || undefined })}
      />
    </Labelled>
  )
}

function Chart({ report, read, onChange }: Props) {
  const usual = usualChart(read)
  return (
    <Labelled label="A chart of the groups" htmlFor="report-chart">
      <ChoiceBox
        id="report-chart"
        value={report.chart ?? usual}
        onChange={({ target: { value } }) => {
          const chart = chartNames.find((one) => one === value)
          onChange({ chart: chart === usual ? undefined : chart })
        }}
      >
        {chartNames.map((value) => (
          <option key={value} value={value}>
            {chartWords[value]}
          </option>
        ))}
      </ChoiceBox>
    </Labelled>
  )
}

const chartNames = ['with', 'alone', 'none'] as const

function Groups({ report, read, onChange }: Props) {
  return (
    <TickBox
      id="report-apart"
      checked={report.apart === true}
      label={`Each ${read.groups[0]?.heading.toLowerCase() ?? 'group'} begins a page`}
      onChange={(apart) => onChange({ apart: apart ? true : undefined })}
    />
  )
}

function Rows({ report, read, onChange }: Props) {
  const { book } = useRecords()
  return (
    <>
      {!isCrossed(read) && carriedFigures(book, read, shownIn(read, report)).length > 0 && (
        <TickBox
          id="report-carried"
          checked={report.carried === true}
          label="Sums carried from page to page"
          onChange={(carried) => onChange({ carried: carried ? true : undefined })}
        />
      )}
      {!isCrossed(read) && shownIn(read, report).length > 1 && (
        <TickBox
          id="report-folded"
          checked={report.folded === true}
          label="Two lines a row"
          onChange={(folded) => onChange({ folded: folded ? true : undefined })}
        />
      )}
      <Labelled label="Between two rows" htmlFor="report-rows">
        <ChoiceBox
          id="report-rows"
          value={report.rows}
          onChange={(event) => onChange({ rows: event.target.value as Report['rows'] })}
        >
          <option value="lines">a line</option>
          <option value="tint">every other tinted</option>
          <option value="none">nothing</option>
        </ChoiceBox>
      </Labelled>
      <Labelled label="Room around each" htmlFor="report-room">
        <ChoiceBox
          id="report-room"
          value={report.room}
          onChange={(event) => onChange({ room: event.target.value as Report['room'] })}
        >
          <option value="tight">tight</option>
          <option value="usual">usual</option>
          <option value="wide">wide</option>
        </ChoiceBox>
      </Labelled>
    </>
  )
}
