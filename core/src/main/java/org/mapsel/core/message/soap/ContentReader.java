package org.mapsel.core.message.soap;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlAttribute;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.ref.Name;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/** Reads the content of elements by their plans; takes more than was announced, and says so. */
final class ContentReader {

  private static final int SHOWN_CHARACTERS = 40;

  private final XmlCursor cursor;
  private final Findings findings;
  private final Attachments attachments;

  ContentReader(XmlCursor cursor, Findings findings, Attachments attachments) {
    this.cursor = cursor;
    this.findings = findings;
    this.attachments = attachments;
  }

  /** Reads the element that the cursor stands on into a record; stands at its end afterwards. */
  RecordValue record(ReadPlan plan) throws DocumentException {
    RecordBuilder builder = new RecordBuilder(plan);
    into(plan, builder);
    return builder.build();
  }

  /** Like {@link #record}, into a record under way. */
  void into(ReadPlan plan, RecordBuilder builder) throws DocumentException {
    int depth = cursor.depth();
    plan.layout();
    Name kind = plan.hasKinds() ? kind(plan, builder) : null;
    attributes(plan, builder);
    Optional<Slot> text = plan.text();
    if (text.isPresent()) {
      textAndChildren(plan, builder, text.get(), kind);
    } else {
      while (cursor.nextChild(depth)) {
        child(plan, builder, kind);
      }
    }
    reportAbsent(plan, builder);
  }

  /** The derived type that the element says it is of; null if it says nothing of interest. */
  private @Nullable Name kind(ReadPlan plan, RecordBuilder builder) {
    Name type = cursor.typeAttribute().orElse(null);
    List<Slot.GroupStep> steps = type == null ? null : plan.kind(type);
    if (steps == null) {
      return null;
    }
    builder.open(steps);
    return type;
  }

  private void textAndChildren(ReadPlan plan, RecordBuilder builder, Slot slot, @Nullable Name kind)
      throws DocumentException {
    if (!plan.hasElements()) {
      Value content = simple(slot);
      if (slot.keep()) {
        builder.put(slot, content);
      }
      return;
    }
    StringBuilder text = new StringBuilder();
    int depth = cursor.depth();
    while (cursor.nextChildOrText(depth, text)) {
      child(plan, builder, kind);
    }
    if (slot.keep() && !text.toString().isBlank()) {
      builder.put(slot, scalar(slot, text.toString()));
    }
  }

  private void reportAbsent(ReadPlan plan, RecordBuilder builder) {
    for (Slot slot : plan.required()) {
      if (!builder.has(slot.index()) && plan.isNews(slot.field().name(), "absent")) {
        findings.add(Finding.warning("MESSAGE_FIELD_ABSENT", "field", slot.field().name()));
      }
    }
  }

  /** Reads the child that the cursor stands on into the record under way. */
  void child(ReadPlan plan, RecordBuilder builder) throws DocumentException {
    child(plan, builder, null);
  }

  private void child(ReadPlan plan, RecordBuilder builder, @Nullable Name kind)
      throws DocumentException {
    List<Slot> slots = plan.elements(cursor.local());
    Slot items = plan.items();
    if (slots.isEmpty() && items != null) {
      if (items.keep()) {
        builder.put(items, value(items));
      }
      return;
    }
    place(slots, plan, builder, kind);
  }

  /** Reads the header block that the cursor stands on into the record under way. */
  void header(ReadPlan plan, RecordBuilder builder) throws DocumentException {
    List<Slot> slots = plan.headers(cursor.local());
    if (!slots.isEmpty()) {
      place(slots, plan, builder, null);
    }
  }

  private void place(List<Slot> slots, ReadPlan plan, RecordBuilder builder, @Nullable Name kind)
      throws DocumentException {
    if (slots.isEmpty()) {
      unannounced(plan, builder);
      return;
    }
    Slot slot = choose(slots, builder, kind);
    if (!slot.name().namespace().equals(cursor.namespace())
        && plan.isNews(slot.field().name(), "namespace")) {
      findings.add(Finding.warning("MESSAGE_FIELD_RENAMESPACED", "field", slot.field().name()));
    }
    if (slot.keep()) {
      if (plan.isOrdered()
          && builder.isLate(slot)
          && !slot.field().isRepeated()
          && slot.groups().isEmpty()
          && plan.isNews(slot.field().name(), "order")) {
        findings.add(Finding.warning("MESSAGE_FIELD_MISPLACED", "field", slot.field().name()));
      }
      builder.put(slot, value(slot));
    }
  }

  private Slot choose(List<Slot> slots, RecordBuilder builder, @Nullable Name kind) {
    if (slots.size() == 1) {
      return slots.get(0);
    }
    String namespace = cursor.namespace();
    List<Slot> exact =
        slots.stream()
            .filter(slot -> slot.name().namespace().equals(namespace))
            .filter(slot -> kind == null || slot.kind() == null || kind.equals(slot.kind()))
            .toList();
    List<Slot> candidates = exact.isEmpty() ? slots : exact;
    return candidates.stream()
        .filter(
            slot ->
                slot.field().isRepeated()
                    || !slot.groups().isEmpty()
                    || !slot.keep()
                    || !builder.has(slot.index()))
        .findFirst()
        .orElse(candidates.get(candidates.size() - 1));
  }

  private Value value(Slot slot) throws DocumentException {
    if (cursor.hasAttributes()
        && cursor
            .attribute(Soap.XSI, "nil")
            .map(nil -> nil.strip().equals("true") || nil.strip().equals("1"))
            .orElse(false)) {
      cursor.text();
      return Value.NULL;
    }
    ReadPlan inside = slot.plan();
    if (inside != null) {
      return record(inside);
    }
    return slot.shape() instanceof Shape.Open ? OpenContent.read(cursor) : simple(slot);
  }

  /** Bytes may stand beside the envelope, with only a reference here. */
  private Value simple(Slot slot) throws DocumentException {
    if (attachments.isEmpty() || !(slot.shape() instanceof Shape.Scalar scalar)) {
      return scalar(slot, cursor.text());
    }
    return switch (scalar.type()) {
      case BASE64, HEX -> attachments.included(cursor, text -> scalar(slot, text));
      case URI -> {
        String text = cursor.text();
        yield attachments.find(text.strip()).orElseGet(() -> scalar(slot, text));
      }
      default -> scalar(slot, cursor.text());
    };
  }

  private Value scalar(Slot slot, String text) {
    if (!(slot.shape() instanceof Shape.Scalar scalar)) {
      return new TextValue(text);
    }
    if (scalar.type() == ScalarType.TEXT) {
      return new TextValue(text);
    }
    Optional<Value> parsed = ScalarText.parse(scalar.type(), text);
    if (parsed.isEmpty()
        || parsed.get() instanceof BinaryValue binary && isSuspicious(binary, text)) {
      if (!text.isBlank()) {
        findings.add(mistyped(slot, scalar, text));
      }
      return new TextValue(text);
    }
    return parsed.get();
  }

  /** A lenient base64 decoder makes nothing of any text; text that gave no bytes was not base64. */
  private static boolean isSuspicious(BinaryValue binary, String text) {
    return binary.size() == 0 && !text.isBlank();
  }

  private static Finding mistyped(Slot slot, Shape.Scalar scalar, String text) {
    String shown =
        text.length() > SHOWN_CHARACTERS ? text.substring(0, SHOWN_CHARACTERS) + "…" : text;
    return Finding.warning(
        "MESSAGE_FIELD_MISTYPED",
        "field",
        slot.field().name(),
        "text",
        shown,
        "type",
        scalar.type().name().toLowerCase(Locale.ROOT).replace('_', ' '));
  }

  private void attributes(ReadPlan plan, RecordBuilder builder) {
    if (!plan.hasAttributes() || !cursor.hasAttributes()) {
      return;
    }
    for (XmlAttribute attribute : cursor.attributes()) {
      plan.attribute(attribute.local())
          .filter(slot -> slot.keep() && slot.name().namespace().equals(attribute.namespace()))
          .ifPresent(slot -> builder.put(slot, scalar(slot, attribute.value())));
    }
  }

  private void unannounced(ReadPlan plan, RecordBuilder builder) throws DocumentException {
    if (cursor.namespace().equals(Soap.RPC)) {
      // Only repeats which part is the return value (SOAP 1.2 part 2, section 4.2.1).
      return;
    }
    Optional<Slot> any = plan.any();
    if (any.isEmpty()) {
      findings.add(Finding.warning("MESSAGE_FIELD_UNANNOUNCED", "element", cursor.local()));
    } else if (any.get().keep()) {
      String name = cursor.local();
      builder.put(any.get(), RecordValue.of(Map.of(name, OpenContent.read(cursor))));
    }
  }
}
