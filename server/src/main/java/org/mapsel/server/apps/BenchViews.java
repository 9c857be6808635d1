package org.mapsel.server.apps;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Look;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.view.PageView;
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
      PageView page, List<CallView> calls, List<ItemView> items, List<ReactionView> reactions) {}

  /**
   * A call of the page.
   *
   * @param origin whether its sample is recorded, given or generated; gone if there is no operation
   */
  record CallView(
      CallId id,
      String service,
      OperationId operation,
      String operationName,
      EndpointId endpoint,
      String origin,
      List<FilledView> filled,
      List<ShownView> shown) {}

  /** A parameter and what fills it. */
  record FilledView(FieldPath path, Source source, String words) {}

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
      @Nullable Look look) {}

  /** A field of the model: a described one, or a derived one of a type. */
  record FieldPlace(FieldRef ref, @Nullable TypeId type, @Nullable String derived) {}

  /** When something happens, which calls are made and which parts show what they answer. */
  record ReactionView(
      ReactionId id, Reaction.Trigger when, String words, List<CallId> calls, List<String> fills) {}

  /** A slot, and what narrows what is offered for it. */
  record OffersRequest(SlotId slot, String find) {
    OffersRequest {
      Objects.requireNonNull(slot);
      Objects.requireNonNull(find);
    }
  }

  /** A source that fits. */
  record OfferView(Source source, String group, String words, String value, String note) {}

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
