package org.mapsel.server.tables;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.table.Column;
import org.mapsel.core.table.ColumnScan;
import org.mapsel.core.table.OfferRules;
import org.mapsel.core.table.OfferedTable;
import org.mapsel.core.table.TableFiles;
import org.mapsel.core.table.TableOffer;
import org.mapsel.core.table.TypedRows;
import org.mapsel.core.table.WrongCell;
import org.mapsel.core.value.Value;
import org.mapsel.server.tables.Drafts.Draft;
import org.mapsel.server.tables.OfferStore.KeptOffer;
import org.mapsel.server.tables.TableViews.LoadState;
import org.mapsel.server.tables.TableViews.OfferRequest;
import org.mapsel.server.tables.TableViews.RowsDifference;
import org.mapsel.server.web.Problem;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Loads files into the workspace, one at a time, while people wait and watch. */
@Component
class Loads {

  private static final Logger LOG = LoggerFactory.getLogger(Loads.class);
  private static final int LISTED = 200;
  private static final int REMEMBERED = 100;

  private final Offers offers;
  private final RowStore rows;
  private final AtomicLong places = new AtomicLong(System.currentTimeMillis());
  private final ExecutorService worker = Executors.newSingleThreadExecutor();
  private final Cache<String, Load> loads = Caffeine.newBuilder().maximumSize(REMEMBERED).build();

  Loads(Offers offers, RowStore rows) {
    this.offers = offers;
    this.rows = rows;
  }

  @PreDestroy
  void end() {
    worker.shutdownNow();
  }

  Load get(String id) {
    Load load = loads.getIfPresent(id);
    if (load == null) {
      throw Problem.missing("SERVER_TABLE_LOAD_MISSING");
    }
    return load;
  }

  /** Loads a file and offers its tables. */
  Load offer(Draft draft, OfferRequest request) {
    List<Finding> wrong = OfferRules.check(request.offer());
    if (!wrong.isEmpty()) {
      throw Problem.refused(wrong);
    }
    return start(
        load -> {
          Optional<Map<String, String>> there =
              fill(load, draft, request.offer(), request.leaveOut());
          there.ifPresent(
              places -> load.done(offers.add(request.offer(), places, request.keyed())));
        });
  }

  /** Loads a file whose rows are to come in place of those of an offer. */
  Load replace(String id, Draft draft, boolean leaveOut) {
    KeptOffer kept = offers.kept(id);
    return start(
        load -> {
          if (hasLost(load, draft, kept.offer())) {
            return;
          }
          List<RowsDifference> differences = new ArrayList<>();
          Optional<Map<String, String>> there = fill(load, draft, kept.offer(), leaveOut);
          if (there.isPresent()) {
            for (OfferedTable table : kept.offer().tables()) {
              differences.add(difference(kept, there.get(), draft, table));
            }
            load.waiting(id, there.get(), differences);
          }
        });
  }

  /** Whether a file lacks a column that every row needs. */
  private static boolean hasLost(Load load, Draft draft, TableOffer offer) throws IOException {
    for (OfferedTable table : offer.tables()) {
      for (Column column : TypedRows.missing(draft.file(), table)) {
        if (column.key() || column.required()) {
          load.failed(
              Finding.error(
                  "TABLE_COLUMN_GONE", "table", table.several(), "column", column.header()));
          return true;
        }
      }
    }
    return false;
  }

  private RowsDifference difference(
      KeptOffer kept, Map<String, String> there, Draft draft, OfferedTable table)
      throws IOException {
    RowStore.Difference difference =
        rows.difference(kept.place(table), there.get(table.name()), table);
    List<String> offered = table.columns().stream().map(Column::header).toList();
    List<String> more =
        draft.scans().stream()
            .filter(scan -> scan.sheet().equals(table.sheet()))
            .flatMap(scan -> scan.columns().stream())
            .map(ColumnScan::header)
            .filter(header -> !header.isEmpty() && !offered.contains(header))
            .toList();
    return new RowsDifference(
        table.several(),
        difference.added(),
        difference.changed(),
        difference.gone(),
        TypedRows.missing(draft.file(), table).stream().map(Column::label).toList(),
        more);
  }

  /** Takes rows that were loaded, in place of those that are offered. */
  void take(String id, String load) {
    Map<String, String> there = get(load).taken();
    if (there.isEmpty()) {
      throw Problem.missing("SERVER_TABLE_LOAD_MISSING");
    }
    offers.replace(id, there);
  }

  /** Lets rows go that were loaded and are not wanted. */
  void stop(String id) {
    Load load = get(id);
    load.stop();
    load.taken().values().forEach(rows::drop);
  }

  private interface Work {
    void run(Load load) throws IOException;
  }

  private Load start(Work work) {
    Load load = new Load();
    loads.put(load.id(), load);
    worker.execute(() -> run(load, work));
    return load;
  }

  private static void run(Load load, Work work) {
    try {
      work.run(load);
    } catch (Load.Stopped e) {
      load.end(LoadState.STOPPED);
    } catch (IOException e) {
      load.failed(TableFiles.broken("The file", e));
    } catch (RuntimeException e) {
      LOG.error("A file could not be loaded", e);
      load.failed(Finding.error("SERVER_TABLE_LOAD_FAILED"));
    }
  }

  /**
   * Fills new tables.
   *
   * @return where the rows of each table stand; nothing if wrong cells stopped it
   */
  private Optional<Map<String, String>> fill(
      Load load, Draft draft, TableOffer offer, boolean leaveOut) throws IOException {
    Map<String, String> there = new LinkedHashMap<>();
    boolean filled = false;
    try {
      for (OfferedTable table : offer.tables()) {
        String place = "t" + places.incrementAndGet();
        there.put(table.name(), place);
        rows.load(place, table, sink -> read(load, draft, table, sink));
        again(load, place, table);
      }
      filled = leaveOut || !load.hasWrong();
      if (filled) {
        for (OfferedTable table : offer.tables()) {
          rows.finish(Objects.requireNonNull(there.get(table.name())), table);
        }
      }
    } finally {
      if (!filled) {
        there.values().forEach(rows::drop);
      }
    }
    if (!filled) {
      load.end(LoadState.WRONG);
    }
    return filled ? Optional.of(there) : Optional.empty();
  }

  private static void read(Load load, Draft draft, OfferedTable table, RowStore.RowSink sink)
      throws IOException {
    TypedRows.read(
        draft.file(),
        table,
        new TypedRows.Sink() {
          @Override
          public boolean row(long number, List<@Nullable Value> values) {
            load.row();
            sink.row(number, values);
            return true;
          }

          @Override
          public boolean wrong(List<WrongCell> cells) {
            load.wrong(cells);
            return true;
          }
        });
  }

  /** Rows with the key of an earlier one are wrong too. */
  private void again(Load load, String place, OfferedTable table) {
    List<Long> again = rows.again(place, table, LISTED);
    if (!again.isEmpty()) {
      String key = table.keys().stream().map(Column::name).collect(Collectors.joining(", "));
      load.wrong(
          again.stream()
              .map(row -> new WrongCell(table.name(), row, key, "", WrongCell.Why.KEY))
              .toList());
      rows.dropAgain(place, table);
    }
  }
}
