package org.mapsel.server.apps;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.mapsel.core.ref.PartId;
import org.mapsel.server.apps.BenchViews.BenchView;
import org.mapsel.server.apps.BenchViews.ChoiceOfferView;
import org.mapsel.server.apps.BenchViews.FormulaRequest;
import org.mapsel.server.apps.BenchViews.FormulaView;
import org.mapsel.server.apps.BenchViews.OfferView;
import org.mapsel.server.apps.BenchViews.OffersRequest;
import org.mapsel.server.apps.BenchViews.PairsView;
import org.mapsel.server.apps.BenchViews.ShownWith;
import org.mapsel.server.services.ServiceViews.OperationView;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Pages while they are built. */
@RestController
@RequestMapping("/api/apps/{app}/pages/{page}")
class BenchController {

  private final Bench bench;
  private final BenchChoices choices;

  BenchController(Bench bench, BenchChoices choices) {
    this.bench = bench;
    this.choices = choices;
  }

  @GetMapping("/bench")
  BenchView view(@PathVariable String app, @PathVariable String page, Locale locale) {
    return bench.view(app, page, locale);
  }

  @GetMapping("/calls/{call}")
  OperationView sheet(
      @PathVariable String app, @PathVariable String page, @PathVariable String call) {
    return bench.sheet(app, page, call);
  }

  /** Shows the page with a sample of a call from now on. */
  @PutMapping("/calls/{call}/sample")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void show(
      @PathVariable String app,
      @PathVariable String page,
      @PathVariable String call,
      @RequestBody ShownWith with) {
    bench.show(app, page, call, Optional.ofNullable(with.sample()));
  }

  /** What on the page looks to belong to the parameters of a call. */
  @GetMapping("/calls/{call}/pairs")
  PairsView pairsOfCall(
      @PathVariable String app,
      @PathVariable String page,
      @PathVariable String call,
      Locale locale) {
    return bench.pairsOfCall(app, page, call, locale);
  }

  /** What on the page looks to belong into the inputs of a form. */
  @GetMapping("/forms/{part}/pairs")
  PairsView pairsOfForm(
      @PathVariable String app,
      @PathVariable String page,
      @PathVariable String part,
      Locale locale) {
    return bench.pairsOfForm(app, page, part, locale);
  }

  /** What fits a slot. */
  @PostMapping("/offers")
  List<OfferView> offers(
      @PathVariable String app,
      @PathVariable String page,
      @RequestBody OffersRequest request,
      Locale locale) {
    return bench.offers(app, page, request, locale);
  }

  /** Operations that return what an input asks for. */
  @GetMapping("/inputs/{input}/choices")
  List<ChoiceOfferView> choices(
      @PathVariable String app, @PathVariable String page, @PathVariable String input) {
    return choices.of(app, page, new PartId(input));
  }

  /** What a formula comes to in the present sample. */
  @PostMapping("/formulas")
  FormulaView formula(
      @PathVariable String app,
      @PathVariable String page,
      @RequestBody FormulaRequest request,
      Locale locale) {
    return bench.formula(app, page, request, locale);
  }
}
