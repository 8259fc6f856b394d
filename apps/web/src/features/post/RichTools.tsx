import { Bold, Italic, Link2, List, ListOrdered, PlusCircle } from 'lucide-react';
import { DropdownMenu, Popover } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { useEditorState, type Editor } from '@tiptap/react';
import { Button } from '../../ui/Button.js';
import { inputClass } from '../../ui/Field.js';
import * as say from './words.js';

/** What fills itself, in the words of the menu. */
const FIELDS: [field: string, words: string][] = [
  ['{link}', say.theLinkHere],
  ['{title}', say.titleOfTheSession],
  ['{date}', say.itsDate],
  ['{time}', say.itsTime],
  ['{bring}', say.whatToBringItsDescription],
  ['{class}', 'class'],
  ['{period}', 'period'],
  ['{host}', 'host'],
  ['{entryCode}', say.entryCode],
];

function Tool({
  label,
  on,
  onPress,
  children,
}: {
  label: string;
  on: boolean;
  onPress: () => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      aria-pressed={on}
      onClick={onPress}
      className={`rounded-small p-1.5 hover:bg-shade ${on ? 'bg-shade text-bracken-deep' : ''}`}
    >
      {children}
    </button>
  );
}

/** Where the chosen words lead; blank takes the link off them. */
function LinkTool({ editor, on }: { editor: Editor; on: boolean }) {
  const [open, setOpen] = useState(false);
  const [address, setAddress] = useState('');
  const [wrong, setWrong] = useState(false);
  const apply = (): void => {
    const to = address.trim();
    if (to !== '' && !/^https?:\/\/\S+\.\S+/i.test(to)) return setWrong(true);
    const chain = editor.chain().focus().extendMarkRange('link');
    (to === '' ? chain.unsetLink() : chain.setLink({ href: to })).run();
    setOpen(false);
  };
  return (
    <Popover.Root
      open={open}
      onOpenChange={(to) => {
        setOpen(to);
        setWrong(false);
        if (to) setAddress((editor.getAttributes('link').href as string | undefined) ?? '');
      }}
    >
      <Popover.Trigger
        aria-label={say.letTheChosenWordsLead}
        aria-pressed={on}
        className={`rounded-small p-1.5 hover:bg-shade ${on ? 'bg-shade text-bracken-deep' : ''}`}
      >
        <Link2 size={17} aria-hidden="true" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          aria-label={say.whereTheWordsLead}
          className="z-30 flex w-80 gap-2 rounded-small border border-line bg-sheet p-3 text-ink shadow-soft"
        >
          <div className="min-w-0 flex-1">
            <input
              aria-label={say.address}
              aria-invalid={wrong}
              className={inputClass}
              placeholder="https://"
              value={address}
              onChange={(e) => setAddress(e.target.value)}
              onKeyDown={(e) => {
                if (e.key === 'Enter') {
                  e.preventDefault();
                  apply();
                }
              }}
            />
            {wrong && (
              <p role="alert" className="mt-1 text-sm font-semibold text-berry-deep">
                {say.giveAFullAddress}
              </p>
            )}
          </div>
          <Button onClick={apply}>{say.done}</Button>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** Puts in a field that fills itself. */
function FieldMenu({ editor }: { editor: Editor }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="ml-auto inline-flex items-center gap-1.5 rounded-small px-2 py-1 text-sm font-semibold text-bracken-deep hover:bg-shade">
        <PlusCircle size={15} aria-hidden="true" />
        {say.aFieldThatFillsItself}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-30 rounded-small border border-line bg-sheet p-1 text-ink shadow-soft"
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            editor.commands.focus();
          }}
        >
          {FIELDS.map(([field, words]) => (
            <DropdownMenu.Item
              key={field}
              onSelect={() => editor.chain().focus().insertContent(field).run()}
              className="flex cursor-pointer items-baseline justify-between gap-5 rounded px-3 py-1.5 outline-none data-[highlighted]:bg-shade"
            >
              <span>{words}</span>
              <code className="font-mono text-sm text-soft">{field}</code>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

/** How the words look, where they lead, and fields that fill themselves. */
export function RichTools({ editor }: { editor: Editor }) {
  const on = useEditorState({
    editor,
    selector: ({ editor: e }) => ({
      bold: e.isActive('bold'),
      italic: e.isActive('italic'),
      bullets: e.isActive('bulletList'),
      numbers: e.isActive('orderedList'),
      link: e.isActive('link'),
    }),
  });
  const to = () => editor.chain().focus();
  return (
    <div
      role="toolbar"
      aria-label={say.howTheWordsLook}
      className="flex flex-wrap items-center gap-0.5 border-b border-line px-1.5 py-1"
    >
      <Tool label={say.bold} on={on.bold} onPress={() => to().toggleBold().run()}>
        <Bold size={17} aria-hidden="true" />
      </Tool>
      <Tool label={say.italic} on={on.italic} onPress={() => to().toggleItalic().run()}>
        <Italic size={17} aria-hidden="true" />
      </Tool>
      <Tool label={say.list} on={on.bullets} onPress={() => to().toggleBulletList().run()}>
        <List size={17} aria-hidden="true" />
      </Tool>
      <Tool label={say.numberedList} on={on.numbers} onPress={() => to().toggleOrderedList().run()}>
        <ListOrdered size={17} aria-hidden="true" />
      </Tool>
      <LinkTool editor={editor} on={on.link} />
      <FieldMenu editor={editor} />
    </div>
  );
}
