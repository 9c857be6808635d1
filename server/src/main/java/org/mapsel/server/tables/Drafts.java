package org.mapsel.server.tables;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.RemovalCause;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.table.OfferProposal;
import org.mapsel.core.table.SheetScan;
import org.mapsel.core.table.TableFile;
import org.mapsel.core.table.TableFiles;
import org.mapsel.core.table.TableOffer;
import org.mapsel.server.memory.LargeWork;
import org.mapsel.server.web.Problem;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;

/** Files of tables that were given and looked at; they are kept for some hours. */
@Component
class Drafts {

  private static final DataSize MOST = DataSize.ofGigabytes(4);
  private static final Duration KEPT = Duration.ofHours(4);
  private static final DataSize LARGEST = DataSize.ofGigabytes(1);
  private static final int MOST_SHEETS = 40;

  /** A file, and what is proposed to be offered of it. */
  record Draft(
      String id, String name, Path path, TableFile file, List<SheetScan> scans, TableOffer offer) {}

  private final Cache<String, Draft> drafts =
      Caffeine.newBuilder()
          .maximumWeight(MOST.toMegabytes())
          .weigher((String id, Draft draft) -> 1 + (int) (draft.path().toFile().length() >> 20))
          .expireAfterAccess(KEPT)
          .removalListener(
              (@Nullable String id, @Nullable Draft draft, RemovalCause cause) -> delete(draft))
          .build();

  private final LargeWork work;

  Drafts(LargeWork work) {
    this.work = work;
  }

  /**
   * Looks at a file.
   *
   * @param name what it is called, which tells its format
   * @throws Problem if it cannot be read
   */
  Draft add(String name, InputStream given) {
    Path path = kept(name, given);
    try {
      Outcome<TableFile> opened = TableFiles.open(name, path, work::makeRoomFor);
      TableFile file = opened.value().orElseThrow(() -> Problem.refused(opened.findings()));
      List<SheetScan> scans = new ArrayList<>();
      for (String sheet : file.sheets().stream().limit(MOST_SHEETS).toList()) {
        scans.add(SheetScan.of(file, sheet));
      }
      TableOffer offer = OfferProposal.of(name, file, scans);
      if (offer.tables().isEmpty()) {
        throw Problem.refused(Finding.error("TABLE_EMPTY", "name", name));
      }
      Draft draft = new Draft(UUID.randomUUID().toString(), name, path, file, scans, offer);
      drafts.put(draft.id(), draft);
      return draft;
    } catch (IOException e) {
      delete(path);
      throw Problem.refused(TableFiles.broken(name, e));
    } catch (Problem problem) {
      delete(path);
      throw problem;
    }
  }

  private static Path kept(String name, InputStream given) {
    try {
      Path path = Files.createTempFile("mapsel-table", "");
      path.toFile().deleteOnExit();
      byte[] piece = new byte[64 << 10];
      long bytes = 0;
      try (OutputStream out = Files.newOutputStream(path)) {
        for (int read = given.read(piece); read >= 0; read = given.read(piece)) {
          bytes += read;
          if (bytes > LARGEST.toBytes()) {
            delete(path);
            throw Problem.refused(
                Finding.error(
                    "TABLE_FILE_LARGE", "name", name, "most", LARGEST.toMegabytes() + " MB"));
          }
          out.write(piece, 0, read);
        }
      }
      return path;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  Draft get(String id) {
    Draft draft = drafts.getIfPresent(id);
    if (draft == null) {
      throw Problem.missing("SERVER_TABLE_DRAFT_MISSING");
    }
    return draft;
  }

  private static void delete(@Nullable Draft draft) {
    if (draft != null) {
      delete(draft.path());
    }
  }

  private static void delete(Path path) {
    try {
      Files.deleteIfExists(path);
    } catch (IOException e) {
      // It is deleted when the server ends.
      LoggerFactory.getLogger(Drafts.class).warn("{} could not be deleted", path, e);
    }
  }
}
