const keys: [string, string][] = [
  ['space', 'does the one next thing'],
  ['N', 'not like this: what is different here'],
  ['↑ ↓', 'another step or end'],
  ['1 2 3', 'another picture of the station'],
  ['F', 'finds any wire, from every station'],
  ['J', 'the journal, with undo'],
  ['Ctrl Z', 'takes back what this device wrote down last'],
  ['K', 'commands: go anywhere by a few letters'],
  ['P', 'print, at hand back'],
  ['?', 'this help'],
]

const words: [string, string][] = [
  ['inline pair', 'two halves of the loom between a factory plug and its device'],
  ['tap', 'a lead joined to a factory wire that stays whole'],
  ['back-probe', 'a meter’s tip beside the wire, into the plug from behind'],
  ['bypass', 'the factory pair mated as before: the module does nothing'],
  ['authority', 'the proof that the module really moves what it claims to'],
  ['earned', 'a cell of the table the ride says enough about'],
  ['stop', 'nothing goes on to waking until it is mended, or lifted with a reason'],
  ['reference', 'the ground a measuring device measures against'],
]

/** What is in the help. */
export function HelpWords() {
  return (
    <>
      <h3 className="mb-1 text-lead font-bold">Keys</h3>
      <dl className="mb-5 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1.5">
        {keys.map(([key, says]) => (
          <Entry key={key} term={<kbd className="figures">{key}</kbd>} says={says} />
        ))}
      </dl>
      <h3 className="mb-1 text-lead font-bold">Words</h3>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1.5">
        {words.map(([word, says]) => (
          <Entry key={word} term={word} says={says} />
        ))}
      </dl>
    </>
  )
}

function Entry({ term, says }: { term: React.ReactNode; says: string }) {
  return (
    <>
      <dt className="font-semibold">{term}</dt>
      <dd>{says}</dd>
    </>
  )
}
