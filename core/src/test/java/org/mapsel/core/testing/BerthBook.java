package org.mapsel.core.testing;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.mapsel.core.table.OfferProposal;
import org.mapsel.core.table.OfferedTable;
import org.mapsel.core.table.SheetScan;
import org.mapsel.core.table.TableFile;
import org.mapsel.core.table.TableFiles;
import org.mapsel.core.table.TableOffer;

/** The berths of the harbour, as files of tables. */
public final class BerthBook {

  private BerthBook() {}

  /** One of the files, by its ending. */
  public static TableFile open(String ending) {
    try (InputStream in =
        Objects.requireNonNull(
            BerthBook.class.getResourceAsStream("/tables/berth-book." + ending))) {
      Path copy = Files.createTempFile("berth-book", ending);
      copy.toFile().deleteOnExit();
      Files.write(copy, in.readAllBytes());
      return TableFiles.open("Berth book." + ending, copy, room -> {}).get();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** What is proposed to be offered of a file. */
  public static TableOffer proposal(TableFile file) {
    try {
      List<SheetScan> scans = new ArrayList<>();
      for (String sheet : file.sheets()) {
        scans.add(SheetScan.of(file, sheet));
      }
      return OfferProposal.of("Berth book.x", file, scans);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** What is proposed of the berths, with all that can be done to them. */
  public static TableOffer offer() {
    TableOffer proposed = proposal(open("xlsx"));
    return new TableOffer(
        proposed.name(),
        proposed.tables().stream()
            .map(
                table ->
                    new OfferedTable(
                        table.name(),
                        table.several(),
                        table.sheet(),
                        table.columns(),
                        table.style(),
                        Set.of(OfferedTable.Change.values())))
            .toList());
  }
}
