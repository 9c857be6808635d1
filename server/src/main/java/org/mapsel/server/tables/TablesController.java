package org.mapsel.server.tables;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.table.ColumnScan;
import org.mapsel.core.table.OfferRules;
import org.mapsel.core.table.OfferedTable;
import org.mapsel.core.table.TableFile;
import org.mapsel.core.table.TableFiles;
import org.mapsel.core.table.TypedRows;
import org.mapsel.core.table.WrongCell;
import org.mapsel.core.value.Value;
import org.mapsel.server.services.ServiceViews.ServiceView;
import org.mapsel.server.tables.TableViews.DraftView;
import org.mapsel.server.tables.TableViews.LoadView;
import org.mapsel.server.tables.TableViews.NewClientRequest;
import org.mapsel.server.tables.TableViews.NewClientView;
import org.mapsel.server.tables.TableViews.OfferBrief;
import org.mapsel.server.tables.TableViews.OfferCheckRequest;
import org.mapsel.server.tables.TableViews.OfferCheckView;
import org.mapsel.server.tables.TableViews.OfferRequest;
import org.mapsel.server.tables.TableViews.OfferSettings;
import org.mapsel.server.tables.TableViews.OfferedRequestView;
import org.mapsel.server.tables.TableViews.OfferedView;
import org.mapsel.server.tables.TableViews.SheetView;
import org.mapsel.server.tables.TableViews.WrongView;
import org.mapsel.server.web.FindingView;
import org.mapsel.server.web.Problem;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Tables that are offered: from a file to a service. */
@RestController
@RequestMapping("/api/tables")
class TablesController {

  private static final int CHECKED_ROWS = 20_000;
  private static final int LISTED = 100;
  private static final int REQUESTS = 200;

  private final Drafts drafts;
  private final Loads loads;
  private final Offers offers;
  private final OfferLog log;
  private final OfferUse use;

  TablesController(Drafts drafts, Loads loads, Offers offers, OfferLog log, OfferUse use) {
    this.drafts = drafts;
    this.loads = loads;
    this.offers = offers;
    this.log = log;
    this.use = use;
  }

  @GetMapping
  List<OfferBrief> list() {
    return offers.all().stream()
        .map(
            kept ->
                new OfferBrief(
                    kept.id(),
                    kept.offer().name(),
                    kept.offer().tables().stream().map(OfferedTable::several).toList(),
                    kept.paused(),
                    kept.keyed()))
        .toList();
  }

  /** Looks at a file; nothing is offered yet. */
  @PostMapping(path = "/drafts", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  DraftView look(@RequestParam MultipartFile file) {
    return view(drafts.add(file));
  }

  @GetMapping("/drafts/{draft}")
  DraftView draft(@PathVariable String draft) {
    return view(drafts.get(draft));
  }

  private static DraftView view(Drafts.Draft draft) {
    return new DraftView(
        draft.id(),
        draft.name(),
        draft.scans().stream()
            .filter(scan -> scan.rows() > 0)
            .map(
                scan ->
                    new SheetView(
                        scan.sheet(),
                        scan.header(),
                        scan.rows(),
                        scan.columns().stream().map(ColumnScan::first).toList()))
            .toList(),
        draft.offer());
  }

  /** What an offer would come to, as far as the first rows tell. */
  @PostMapping("/drafts/{draft}/checks")
  OfferCheckView check(@PathVariable String draft, @RequestBody OfferCheckRequest request) {
    TableFile file = drafts.get(draft).file();
    List<WrongCell> wrong = new ArrayList<>();
    long[] cells = {0};
    for (OfferedTable table : request.offer().tables()) {
      try {
        TypedRows.read(file, table, first(wrong, cells));
      } catch (IOException e) {
        throw Problem.refused(TableFiles.broken(drafts.get(draft).name(), e));
      }
    }
    return new OfferCheckView(
        FindingView.of(OfferRules.check(request.offer())),
        wrong.stream().map(WrongView::of).toList(),
        cells[0]);
  }

  private static TypedRows.Sink first(List<WrongCell> wrong, long[] cells) {
    return new TypedRows.Sink() {
      private int rows;

      @Override
      public boolean row(long number, List<@Nullable Value> values) {
        return ++rows < CHECKED_ROWS;
      }

      @Override
      public boolean wrong(List<WrongCell> found) {
        cells[0] += found.size();
        found.stream().limit(LISTED - (long) wrong.size()).forEach(wrong::add);
        return ++rows < CHECKED_ROWS;
      }
    };
  }

  /** Begins to load a file, to be offered. */
  @PostMapping("/drafts/{draft}/loads")
  @ResponseStatus(HttpStatus.ACCEPTED)
  LoadView offer(@PathVariable String draft, @RequestBody OfferRequest request) {
    return loads.offer(drafts.get(draft), request).view();
  }

  @GetMapping("/loads/{load}")
  LoadView load(@PathVariable String load) {
    return loads.get(load).view();
  }

  /** Stops a load, or lets go what it brought. */
  @DeleteMapping("/loads/{load}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void stop(@PathVariable String load) {
    loads.stop(load);
  }

  @GetMapping("/{offer}")
  OfferedView get(@PathVariable String offer) {
    return use.view(offer);
  }

  @PutMapping("/{offer}/settings")
  OfferedView set(@PathVariable String offer, @RequestBody OfferSettings settings) {
    offers.set(offer, settings);
    return use.view(offer);
  }

  /** Takes an offer back; its rows are gone. */
  @DeleteMapping("/{offer}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable String offer) {
    offers.remove(offer);
  }

  /** Takes the offer as a service, as any other is taken. */
  @PostMapping("/{offer}/service")
  ServiceView take(@PathVariable String offer) {
    return use.take(offer);
  }

  @PostMapping("/{offer}/clients")
  @ResponseStatus(HttpStatus.CREATED)
  NewClientView addClient(@PathVariable String offer, @RequestBody NewClientRequest request) {
    if (request.name().isBlank()) {
      throw Problem.refused(Finding.error("SERVER_CLIENT_UNNAMED"));
    }
    return offers.addClient(offer, request.name().strip());
  }

  @DeleteMapping("/{offer}/clients/{client}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void removeClient(@PathVariable String offer, @PathVariable String client) {
    offers.removeClient(offer, client);
  }

  /** Who asked for what, the last first. */
  @GetMapping("/{offer}/requests")
  List<OfferedRequestView> requests(@PathVariable String offer) {
    offers.kept(offer);
    return log.newest(offer, REQUESTS).stream()
        .map(
            one ->
                new OfferedRequestView(
                    one.at(), one.client(), one.operation(), one.status(), one.tookMillis()))
        .toList();
  }

  /** Begins to load a file whose rows are to come in place of those that are offered. */
  @PostMapping(path = "/{offer}/replacements", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.ACCEPTED)
  LoadView replace(
      @PathVariable String offer,
      @RequestParam MultipartFile file,
      @RequestParam(defaultValue = "false") boolean leaveOut) {
    return loads.replace(offer, drafts.add(file), leaveOut).view();
  }

  /** Takes rows that were loaded, in place of those that are offered. */
  @PostMapping("/{offer}/replacements/{load}")
  OfferedView takeReplacement(@PathVariable String offer, @PathVariable String load) {
    loads.take(offer, load);
    return use.view(offer);
  }
}
