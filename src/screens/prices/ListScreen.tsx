'use client'

import { useEffect, useMemo, useRef, useState } from 'react'
import styled from 'styled-components'
import { Term } from '../../interface/Term'
import { GLOSSARY } from '../../wording/glossary'
import { editionsOf } from '../../core/catalogue/bookFor.ts'
import { bookFigures } from '../../core/plausible/bookFigures.ts'
import { idOf } from '../../core/pricelist/idOf.ts'
import type { PriceRecipe } from '../../core/pricelist/priceRecipe.ts'
import type { ListReading } from '../../files/pricelist/listAnswer.ts'
import { keepText } from '../../files/reading/keptText.ts'
import { Button, QuietButton } from '../../interface/Button'
import { media } from '../../interface/theme/media'
import type { Session } from '../../store/session.ts'
import { considerProviders } from '../../store/providerCommands.ts'
import { listAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { download } from '../workbench/download.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { FirstMachine } from './FirstMachine'
import { ListBook } from './ListBook'
import { ListAnswers } from './ListAnswers'
import { ListQuestions, useAsked } from './ListQuestions'
import { ListRows } from './ListRows'
import { OpenListButtons } from './OpenListButtons'
import { setOpenList, undoOpenList, useListSteps, type OpenList } from './openList.ts'
import { useMapping } from './useMapping.ts'
import { formatNumber } from '../../wording/number'

/** A price list becoming a book: its rows under what each column is, and beside them what is left to say and the book as it fills. */
export function ListScreen({ list }: { readonly list: OpenList }) {
  const { session, keptBooks, month, go } = useWorkbench()
  const heading = useRef<HTMLHeadingElement>(null)
  // What was pressed to come here is gone.
  useEffect(() => heading.current?.focus(), [])
  const { source, mapping, assumed, manner, provider: name } = list
  const steps = useListSteps()
  const recipes = useRecipes(session)
  const from = `${month}-01`
  const provider = useMemo(() => {
    const known = keptBooks.find((book) => book.provider.name === name)?.provider.id
    const ids = new Set(keptBooks.map((book) => book.provider.id))
    return { id: known ?? idOf(name, ids, 'provider'), name }
  }, [keptBooks, name])
  const others = useMemo(
    () => keptBooks.filter((book) => book.provider.id !== provider.id).map(bookFigures),
    [keptBooks, provider],
  )
  const asked = useMemo(
    () =>
      recipes && {
        source,
        provider,
        from,
        manner,
        recipes,
        others,
        ...(mapping && { mapping, assumed: assumed ?? [] }),
      },
    [source, provider, from, manner, recipes, others, mapping, assumed],
  )
  const { answer, isStale, step, failure, cancel, isCancelled, again } = useAnswer(listAsker, asked)
  const reading = answer?.ok ? answer.value : undefined
  const unsure = reading?.unsure ?? []
  const book = reading?.book
  const recipe = reading && recipeOf(reading)
  const close = (): void => {
    setOpenList(undefined)
    void session.books.unfinishedList.forget()
  }
  const use = (): void => {
    if (!book || !recipe) return
    if (reading.json !== undefined) keepText(book, reading.json)
    void session.books.add(book)
    void session.books.recipes.keep(recipe).catch(() => undefined)
    session.edit(`consider ${book.provider.name}`, considerProviders([book.provider.id]))
    close()
    // Of a provider that is known what changed is shown first.
    const before = editionsOf(book.provider.id, keptBooks).findLast(
      ({ valid }) => valid.from < book.valid.from,
    )
    go({
      view: 'prices',
      book: {
        provider: book.provider.id,
        edition: book.edition,
        ...(before && { against: before.edition }),
      },
    })
  }
  return (
    <Page>
      <Bar>
        <h1 ref={heading} tabIndex={-1}>
          Prices of {reading?.provider.name ?? name}
        </h1>
        <small>
          {list.name}
          {reading && `, ${formatNumber(reading.rows)} rows`}
          {reading?.isByRecipe && ', read as the last list of this shape was'}
        </small>
        <span aria-live="polite">
          {isStale &&
            !failure &&
            !isCancelled &&
            (step ? `reading, ${formatNumber(step)} rows so far` : 'reading')}
        </span>
        {isStale && !failure && !isCancelled && <QuietButton onPress={cancel}>Stop reading</QuietButton>}
        {isCancelled && <QuietButton onPress={again}>Read on</QuietButton>}
        <Spring />
        {unsure.length > 0 && (
          <small>
            {unsure.length} {unsure.length === 1 ? 'answer' : 'answers'}{' '}
            <Term meaning={GLOSSARY.assumed}>assumed</Term>
          </small>
        )}
        <Button isDisabled={steps === 0} onPress={undoOpenList}>
          Undo in the list
        </Button>
        <Button onPress={close}>Give up</Button>
        <Button isDisabled={!recipe || isStale} onPress={() => recipe && void saveRecipe(recipe)}>
          Export the recipe
        </Button>
        <Button isDisabled={!book || isStale} onPress={use}>
          Use these prices
        </Button>
      </Bar>
      {(failure ?? (answer && !answer.ok)) && (
        <Fault role="alert">
          {failure ??
            (answer && !answer.ok
              ? `${answer.issues[0].problem} Expected: ${answer.issues[0].expected}`
              : '')}
        </Fault>
      )}
      {(failure ?? (answer && !answer.ok)) && (
        <Ways>
          <OpenListButtons />
        </Ways>
      )}
      {reading && <Reading reading={reading} isStale={isStale} />}
    </Page>
  )
}

function Reading({ reading, isStale }: { readonly reading: ListReading; readonly isStale: boolean }) {
  const edit = useMapping(reading)
  const asked = useAsked(reading.unsure)
  return (
    <Columns>
      <ListRows edit={edit} />
      <Side>
        <ListBook edit={edit} isStale={isStale} />
        <ListQuestions asked={asked} edit={edit} />
        <ListAnswers asked={asked} edit={edit} />
        {reading.book && <FirstMachine book={reading.book} isOffered={false} />}
      </Side>
    </Columns>
  )
}

const recipeOf = ({ provider, manner, mapping, unsure }: ListReading): PriceRecipe => ({
  provider,
  manner,
  mapping,
  ...(unsure.length > 0 && { assumed: unsure }),
})

async function saveRecipe(recipe: PriceRecipe): Promise<void> {
  const { writeRecipe } = await import('../../files/pricelist/recipeFile.ts')
  download(`${recipe.provider.id}.recipe.json`, writeRecipe(recipe))
}

/** Those that are kept in this browser, once they are read. */
function useRecipes(session: Session): readonly PriceRecipe[] | undefined {
  const [recipes, setRecipes] = useState<readonly PriceRecipe[]>()
  useEffect(() => {
    void session.books.recipes.list().then(setRecipes)
  }, [session])
  return recipes
}

const Page = styled.main.attrs({ id: 'main' })`
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr);
  min-height: 0;
`

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  padding: 8px 16px;
  background: var(--sheet);
  border-bottom: 1px solid var(--rule);

  small {
    color: var(--ink-2);
  }
  h1:focus {
    outline: none;
  }
`

const Spring = styled.span`
  flex: 1;
`

const Fault = styled.p`
  padding: 8px 16px;
  color: var(--leak);
`

const Ways = styled.div`
  display: flex;
  gap: 8px;
  align-items: start;
  padding: 0 16px;
`

const Columns = styled.div`
  grid-row: 3;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 384px;
  min-height: 0;
  ${media.compact} {
    grid-template-columns: minmax(0, 1fr) 330px;
  }
  ${media.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`

const Side = styled.aside`
  min-width: 0;
  overflow: auto;
  padding: 12px 16px 20px;
  border-left: 1px solid var(--rule);

  h2 {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 8px;
    align-items: center;
    margin-bottom: 4px;
  }
  h2 small {
    font-weight: 400;
    color: var(--ink-2);
  }
  section:not(:first-child),
  h2:not(:first-child) {
    margin-top: 16px;
  }
`
