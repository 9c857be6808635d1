package org.mapsel.server.tables;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.table.ColumnScan;
import org.mapsel.core.table.OfferCheck;
import org.mapsel.core.table.OfferRules;
import org.mapsel.core.table.OfferedTable;
import org.mapsel.core.table.TableFiles;
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

/** Tables that are offered: from a file to a service. */
@RestController
@RequestMapping("/api/tables")
class TablesController {

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
  @PostMapping(path = "/drafts", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  DraftView look(@RequestParam String name, InputStream file) {
    return view(drafts.add(name, file));
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
    Drafts.Draft looked = drafts.get(draft);
    try {
      OfferCheck check = OfferCheck.of(looked.file(), request.offer());
      return new OfferCheckView(
          FindingView.of(OfferRules.check(request.offer())),
          check.wrong().stream().map(WrongView::of).toList(),
          check.wrongCells());
    } catch (IOException e) {
      throw Problem.refused(TableFiles.broken(looked.name(), e));
    }
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
  @PostMapping(path = "/{offer}/replacements", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  @ResponseStatus(HttpStatus.ACCEPTED)
  LoadView replace(
      @PathVariable String offer,
      @RequestParam String name,
      @RequestParam(defaultValue = "false") boolean leaveOut,
      @RequestParam(defaultValue = "true") boolean follow,
      InputStream file) {
    return loads.replace(offer, drafts.add(name, file), leaveOut, follow).view();
  }

  /** Takes rows that were loaded, in place of those that are offered. */
  @PostMapping("/{offer}/replacements/{load}")
  OfferedView takeReplacement(@PathVariable String offer, @PathVariable String load) {
    loads.take(offer, load);
    return use.view(offer);
  }
}
