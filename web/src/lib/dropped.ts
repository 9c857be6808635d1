async function inside(entry: FileSystemEntry, path: string): Promise<File[]> {
  if (entry.isFile) {
    const file = await new Promise<File>((done, failed) => {
      (entry as FileSystemFileEntry).file(done, failed);
    });
    return [path === '' ? file : new File([file], path + file.name)];
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  const files: File[] = [];
  for (;;) {
    // A folder is told in pieces of a hundred.
    const piece = await new Promise<FileSystemEntry[]>((done, failed) => {
      reader.readEntries(done, failed);
    });
    if (piece.length === 0) return files;
    for (const one of piece) files.push(...(await inside(one, `${path}${entry.name}/`)));
  }
}

/** The files that were dropped, those in dropped folders by their path. */
export async function droppedFiles(transfer: DataTransfer): Promise<File[]> {
  const entries = [...transfer.items]
    .map((item) => item.webkitGetAsEntry())
    .filter((entry) => entry !== null);
  return (await Promise.all(entries.map((entry) => inside(entry, '')))).flat();
}
