package org.mapsel.core.page;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import org.mapsel.core.ref.PartId;

/** A thing on a page. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
  @JsonSubTypes.Type(value = Part.Form.class, name = "form"),
  @JsonSubTypes.Type(value = Part.Button.class, name = "button"),
  @JsonSubTypes.Type(value = Part.Table.class, name = "table"),
  @JsonSubTypes.Type(value = Part.Record.class, name = "record"),
  @JsonSubTypes.Type(value = Part.Text.class, name = "text")
})
public sealed interface Part {

  PartId id();

  /** The words on it: a heading, a label or the text itself. */
  String label();

  Part withLabel(String label);

  /** Fields to type or choose in. */
  record Form(PartId id, String label, List<Input> inputs) implements Part {
    public Form {
      inputs = List.copyOf(inputs);
    }

    @Override
    public Form withLabel(String other) {
      return new Form(id, other, inputs);
    }

    public Form withInputs(List<Input> other) {
      return new Form(id, label, other);
    }
  }

  /** Something to press. */
  record Button(PartId id, String label) implements Part {
    @Override
    public Button withLabel(String other) {
      return new Button(id, other);
    }
  }

  /** Rows with columns. */
  record Table(PartId id, String label, List<Item> items) implements Part {
    public Table {
      items = List.copyOf(items);
    }

    @Override
    public Table withLabel(String other) {
      return new Table(id, other, items);
    }

    public Table withItems(List<Item> other) {
      return new Table(id, label, other);
    }
  }

  /** One thing with its fields. */
  record Record(PartId id, String label, List<Item> items) implements Part {
    public Record {
      items = List.copyOf(items);
    }

    @Override
    public Record withLabel(String other) {
      return new Record(id, other, items);
    }

    public Record withItems(List<Item> other) {
      return new Record(id, label, other);
    }
  }

  /** Words that stand on the page. */
  record Text(PartId id, String label) implements Part {
    @Override
    public Text withLabel(String other) {
      return new Text(id, other);
    }
  }
}
