package org.mapsel.server.tables;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.serve.RowCondition;
import org.mapsel.core.serve.RowQuery;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.table.Column;
import org.mapsel.core.table.ColumnChanges;
import org.mapsel.core.table.OfferRules;
import org.mapsel.core.table.OfferedTable;
import org.mapsel.core.table.SheetScan;
import org.mapsel.core.table.TableFiles;
import org.mapsel.core.table.TableOffer;
import org.mapsel.core.table.TypedRows;
import org.mapsel.core.table.WrongCell;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.mapsel.server.tables.Drafts.Draft;
import org.mapsel.server.tables.OfferStore.KeptOffer;
import org.mapsel.server.tables.TableViews.LoadState;
import org.mapsel.server.tables.TableViews.OfferRequest;
import org.mapsel.server.tables.TableViews.RenamedColumn;
import org.mapsel.server.tables.TableViews.RetypedColumn;
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
  Load replace(String id, Draft draft, boolean leaveOut, boolean follow) {
    KeptOffer kept = offers.kept(id);
    return start(
        load -> {
          Map<String, ColumnChanges> changes = new LinkedHashMap<>();
          List<OfferedTable> tables = new ArrayList<>();
          for (OfferedTable table : kept.offer().tables()) {
            ColumnChanges changed = changes(kept, draft, table, follow);
            changes.put(table.name(), changed);
            tables.add(changed.followed(table));
            if (hasLost(load, table, changed)) {
              return;
            }
          }
          TableOffer offer = new TableOffer(kept.offer().name(), tables);
          Optional<Map<String, String>> there = fill(load, draft, offer, leaveOut);
          if (there.isPresent()) {
            List<RowsDifference> differences =
                tables.stream()
                    .map(table -> difference(kept, there.get(), table, changes.get(table.name())))
                    .toList();
            load.waiting(id, new Load.Waiting(offer, there.get()), differences);
          }
        });
  }

  private ColumnChanges changes(KeptOffer kept, Draft draft, OfferedTable table, boolean follow)
      throws IOException {
    SheetScan scan =
        draft.scans().stream()
            .filter(one -> one.sheet().equals(table.sheet()))
            .findFirst()
            .orElseGet(() -> new SheetScan(table.sheet(), 1, 0, List.of()));
    return ColumnChanges.of(table, scan, values(kept, table), follow);
  }

  /** What some rows hold, by the names of the columns. */
  private Map<String, List<String>> values(KeptOffer kept, OfferedTable table) {
    RowQuery some =
        new RowQuery(RowCondition.ALL, List.of(), 0, ColumnChanges.MOST_VALUES, false, Set.of());
    Map<String, List<String>> values = new HashMap<>();
    for (RecordValue row : rows.rows(kept::place).list(table, some).rows()) {
      row.forEach(
          (name, value) ->
              values.computeIfAbsent(name, none -> new ArrayList<>()).add(ScalarText.print(value)));
    }
    return values;
  }

  /** Whether a file lacks a column that every row needs. */
  private static boolean hasLost(Load load, OfferedTable table, ColumnChanges changed) {
    Optional<Column> lost =
        changed.dropped().stream().filter(one -> one.key() || one.required()).findFirst();
    lost.ifPresent(
        column ->
            load.failed(
                Finding.error(
                    "TABLE_COLUMN_GONE", "table", table.several(), "column", column.header())));
    return lost.isPresent();
  }

  private RowsDifference difference(
      KeptOffer kept, Map<String, String> there, OfferedTable table, ColumnChanges changed) {
    RowStore.Difference difference =
        rows.difference(kept.place(table), there.get(table.name()), table);
    return new RowsDifference(
        table.several(),
        difference.added(),
        difference.changed(),
        difference.gone(),
        changed.renamed().stream()
            .map(one -> new RenamedColumn(one.column().label(), one.header(), one.why()))
            .toList(),
        changed.dropped().stream().map(Column::label).toList(),
        changed.retyped().stream()
            .map(
                one ->
                    new RetypedColumn(
                        one.column().label(), one.column().type().words(), one.type().words()))
            .toList(),
        changed.more());
  }

  /** Takes rows that were loaded, in place of those that are offered. */
  void take(String id, String load) {
    Load.Waiting waiting =
        get(load).taken().orElseThrow(() -> Problem.missing("SERVER_TABLE_LOAD_MISSING"));
    offers.replace(id, waiting.offer(), waiting.places());
  }

  /** Lets rows go that were loaded and are not wanted. */
  void stop(String id) {
    Load load = get(id);
    load.stop();
    load.taken().ifPresent(waiting -> waiting.places().values().forEach(rows::drop));
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
        if (!rows.key(place, table)) {
          withoutAgain(load, place, table);
        }
      }
      filled = leaveOut || !load.hasWrong();
      if (filled) {
        there.values().forEach(rows::finish);
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
  private void withoutAgain(Load load, String place, OfferedTable table) {
    String key = table.keys().stream().map(Column::name).collect(Collectors.joining(", "));
    load.wrong(
        rows.again(place, table, LISTED).stream()
            .map(row -> new WrongCell(table.name(), row, key, "", WrongCell.Why.KEY))
            .toList());
    rows.dropAgain(place, table);
    rows.key(place, table);
  }
}
