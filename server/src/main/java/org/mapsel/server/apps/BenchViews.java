package org.mapsel.server.apps;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Look;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Frame;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.view.PageView;
import org.mapsel.core.pairing.Grade;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.ref.TypeId;
import org.mapsel.server.web.FindingView;

/** What the API says of a page that is built. */
final class BenchViews {

  private BenchViews() {}

  /** A page on the bench, filled with samples. */
  record BenchView(
      PageView page,
      List<CallView> calls,
      List<ItemView> items,
      List<ReactionView> reactions,
      List<ArgumentView> arguments) {}

  /**
   * What the page is opened with.
   *
   * @param words what it is
   */
  record ArgumentView(String name, String words) {}

  /**
   * A call of the page.
   *
   * @param origin whether its sample is recorded, given or generated; gone if there is no operation
   * @param sample the name of the sample that it is shown with; nothing where that is what was
   *     answered last
   */
  record CallView(
      CallId id,
      String service,
      OperationId operation,
      String operationName,
      EndpointId endpoint,
      String origin,
      @Nullable String sample,
      List<FilledView> filled,
      List<ShownView> shown) {}

  /**
   * What a call is shown with.
   *
   * @param sample its name; nothing for what was answered last
   */
  record ShownWith(@Nullable String sample) {}

  /**
   * A parameter and what fills it.
   *
   * @param likely why, if it was paired and nobody looked at it yet; else empty
   */
  record FilledView(FieldPath path, Source source, String words, String likely) {}

  /**
   * Where a returned field is shown.
   *
   * @param path as the field sheet has it
   * @param item nothing for the rows of a table
   */
  record ShownView(FieldPath path, PartId part, @Nullable PartId item, String words) {}

  /**
   * A part of the page, or a thing in one, for the strip over it.
   *
   * @param item nothing for the part itself
   * @param slot what fills it; for a part its heading
   * @param words where its value comes from
   * @param field what is decided of it in the model
   * @param set what the model has decided
   * @param only what the page alone has different
   * @param settings what a part as a whole can be set to
   * @param input what an input can be set to
   * @param inside what rows inside its rows can show; null if there are none
   */
  record ItemView(
      PartId part,
      @Nullable PartId item,
      String kind,
      String label,
      SlotId slot,
      @Nullable Source source,
      String words,
      @Nullable FieldPlace field,
      Overrides set,
      Overrides only,
      @Nullable Look look,
      @Nullable PartSettings settings,
      @Nullable InputSettings input,
      @Nullable TotalSettings total,
      @Nullable InsideSettings inside) {}

  /**
   * What a part as a whole is set to.
   *
   * @param rows what gives it its rows, which it can show in several ways; null if it has none
   * @param places where else it can stand than on the page itself
   */
  record PartSettings(
      Frame frame,
      SlotView shownIf,
      Part.Button.@Nullable Manner manner,
      Part.Chart.@Nullable Drawing drawing,
      Part.Group.@Nullable Way way,
      @Nullable SlotView rows,
      List<PlaceView> places) {}

  /**
   * A part that another one can stand in.
   *
   * @param rows whether in every one of its rows
   */
  record PlaceView(PartId part, String name, boolean rows) {}

  /** What a column over rows says of all of them. */
  record TotalSettings(Shown.@Nullable Total total) {}

  /**
   * What rows inside a row show.
   *
   * @param chosen whether somebody chose it on the page, so that the model does not say it
   * @param fields those that are shown, in their order, and then the others
   */
  record InsideSettings(boolean chosen, List<InsideFieldView> fields) {}

  /** A field that rows inside a row have. */
  record InsideFieldView(String name, String label, boolean shown) {}

  /**
   * What an input is set to.
   *
   * @param fixed whether somebody chose how values are put in
   * @param options the rows that the value is chosen from, in words; empty if it is not
   */
  record InputSettings(Input.Kind kind, boolean fixed, String options) {}

  /** A place that takes a value, what fills it, and that in words. */
  record SlotView(String name, SlotId slot, @Nullable Source source, String words) {}

  /** A field of the model: a described one, or a derived one of a type. */
  record FieldPlace(FieldRef ref, @Nullable TypeId type, @Nullable String derived) {}

  /**
   * What happens when.
   *
   * @param words what the event is about, by its name
   * @param would what it would do with the samples that are shown, in words
   */
  record ReactionView(
      ReactionId id,
      Trigger when,
      String words,
      SlotView condition,
      List<StepView> steps,
      List<StepView> failure,
      List<String> would) {}

  /**
   * A step of a reaction.
   *
   * @param words what it is about, by its name
   * @param fills the parts that show what comes of it
   */
  record StepView(
      PartId id,
      Action action,
      String words,
      SlotView condition,
      List<SlotView> slots,
      List<String> fills) {}

  /** A slot, and what narrows what is offered for it. */
  record OffersRequest(SlotId slot, String find) {
    OffersRequest {
      Objects.requireNonNull(slot);
      Objects.requireNonNull(find);
    }
  }

  /** A source that fits. */
  record OfferView(Source source, String group, String words, String value, String note) {}

  /**
   * An operation that returns what an input asks for.
   *
   * @param rows the list in the answer
   * @param value the field of a row that is put in
   * @param words the field of a row that people read
   * @param reasons why it looks to be that
   */
  record ChoiceOfferView(
      String service,
      String serviceName,
      String edition,
      OperationId operation,
      String operationName,
      EndpointId endpoint,
      FieldPath rows,
      FieldPath value,
      FieldPath words,
      List<String> reasons) {}

  /**
   * What on the page looks to belong to slots.
   *
   * @param next what could be taken for those that stay empty, the best first
   */
  record PairsView(List<PairView> pairs, List<PairView> next) {}

  /**
   * A slot and what on the page looks to belong to it.
   *
   * @param name what people call the slot
   * @param call the call of the parameter that is compared
   * @param given the name of what holds it on the page, and the way in that
   * @param words where the value comes from
   * @param value what it is in the present sample
   * @param converted what is done to the value on the way; empty if nothing
   */
  record PairView(
      SlotId slot,
      String name,
      CallId call,
      FieldPath parameter,
      FieldPath given,
      Source source,
      String words,
      String value,
      String converted,
      double score,
      Grade grade,
      List<String> reasons) {}

  /** A formula for a slot. */
  record FormulaRequest(SlotId slot, String text) {
    FormulaRequest {
      Objects.requireNonNull(slot);
      Objects.requireNonNull(text);
    }
  }

  /** What a formula comes to, and what it may name. */
  record FormulaView(
      @Nullable String value, List<FindingView> findings, List<VariableView> variables) {}

  /** Something a formula may name. */
  record VariableView(String name, String type, String value, List<String> inside) {}
}
