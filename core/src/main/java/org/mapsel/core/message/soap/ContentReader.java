package org.mapsel.core.message.soap;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlAttribute;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
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

  ContentReader(XmlCursor cursor, Findings findings) {
    this.cursor = cursor;
    this.findings = findings;
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
    attributes(plan, builder);
    Optional<Slot> text = plan.text();
    if (text.isPresent() && !plan.hasElements()) {
      String content = cursor.text();
      if (text.get().keep()) {
        builder.put(text.get(), scalar(text.get(), content));
      }
      return;
    }
    while (cursor.nextChild(depth)) {
      child(plan, builder);
    }
  }

  /** Reads the child that the cursor stands on into the record under way. */
  void child(ReadPlan plan, RecordBuilder builder) throws DocumentException {
    place(plan.elements(cursor.local()), plan, builder);
  }

  /** Reads the header block that the cursor stands on into the record under way. */
  void header(ReadPlan plan, RecordBuilder builder) throws DocumentException {
    List<Slot> slots = plan.headers(cursor.local());
    if (!slots.isEmpty()) {
      place(slots, plan, builder);
    }
  }

  private void place(List<Slot> slots, ReadPlan plan, RecordBuilder builder)
      throws DocumentException {
    if (slots.isEmpty()) {
      unannounced(plan, builder);
      return;
    }
    Slot slot = choose(slots, builder);
    if (!slot.name().namespace().equals(cursor.namespace())) {
      findings.add(Finding.warning("MESSAGE_FIELD_RENAMESPACED", "field", slot.field().name()));
    }
    if (slot.keep()) {
      builder.put(slot, value(slot));
    }
  }

  private Slot choose(List<Slot> slots, RecordBuilder builder) {
    if (slots.size() == 1) {
      return slots.get(0);
    }
    String namespace = cursor.namespace();
    List<Slot> exact =
        slots.stream().filter(slot -> slot.name().namespace().equals(namespace)).toList();
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
    return slot.shape() instanceof Shape.Open
        ? OpenContent.read(cursor)
        : scalar(slot, cursor.text());
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
    plan.layout();
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
    Optional<Slot> any = plan.any();
    if (any.isEmpty()) {
      findings.add(Finding.warning("MESSAGE_FIELD_UNANNOUNCED", "element", cursor.local()));
    } else if (any.get().keep()) {
      String name = cursor.local();
      builder.put(any.get(), RecordValue.of(Map.of(name, OpenContent.read(cursor))));
    }
  }
}
