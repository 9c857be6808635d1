import { expect, test } from 'vitest';
import { droppedFiles } from './dropped';

type Entry = FileSystemFileEntry | FileSystemDirectoryEntry;

function file(name: string): Entry {
  const entry = {
    isFile: true,
    name,
    file: (done: (file: File) => void) => {
      done(new File([`in ${name}`], name));
    },
  };
  return entry as unknown as Entry;
}

/** A folder as browsers tell it: in pieces, until an empty one. */
function folder(name: string, entries: Entry[], piece = 2): Entry {
  const entry = {
    isFile: false,
    name,
    createReader: () => {
      let at = 0;
      return {
        readEntries: (done: (entries: Entry[]) => void) => {
          done(entries.slice(at, at + piece));
          at += piece;
        },
      };
    },
  };
  return entry as unknown as Entry;
}

function transfer(entries: (Entry | null)[]): DataTransfer {
  const items = entries.map((entry) => ({ webkitGetAsEntry: () => entry }));
  return { items } as unknown as DataTransfer;
}

test('files of dropped folders come with their path, however many there are', async () => {
  const deep = folder('types', [file('a.xsd'), file('b.xsd'), file('c.xsd')]);
  const files = await droppedFiles(
    transfer([file('top.wsdl'), folder('wsdl', [file('one.wsdl'), deep, file('two.wsdl')])]),
  );

  expect(files.map((one) => one.name)).toEqual([
    'top.wsdl',
    'wsdl/one.wsdl',
    'wsdl/types/a.xsd',
    'wsdl/types/b.xsd',
    'wsdl/types/c.xsd',
    'wsdl/two.wsdl',
  ]);
  expect(await files[2]?.text()).toBe('in a.xsd');
});

test('what is no file is passed over, and an empty folder has nothing', async () => {
  expect(await droppedFiles(transfer([null, folder('empty', [])]))).toEqual([]);
});

test('a folder that cannot be read is said', async () => {
  const broken = {
    isFile: false,
    name: 'locked',
    createReader: () => ({
      readEntries: (_done: unknown, failed: (problem: Error) => void) => {
        failed(new Error('locked'));
      },
    }),
  } as unknown as Entry;

  await expect(droppedFiles(transfer([broken]))).rejects.toThrow('locked');
});
