package org.mapsel.cli;

import java.io.PrintStream;
import java.util.List;
import java.util.Locale;
import org.mapsel.core.intake.Description;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.Hints;

/** A description for people to read. */
final class DescriptionText {

  private static final int MAX_ROWS = 2_000;

  private final PrintStream out;
  private final Service service;
  private final DescribeCommand.View view;

  private DescriptionText(PrintStream out, Service service, DescribeCommand.View view) {
    this.out = out;
    this.service = service;
    this.view = view;
  }

  static void print(PrintStream out, Description description, DescribeCommand.View view) {
    out.println(description.service().name() + "  (" + description.format().label() + ")");
    if (!description.service().documentation().isEmpty()) {
      out.println(description.service().documentation());
    }
    new DescriptionText(out, description.service(), view).print();
  }

  private void print() {
    out.println();
    service
        .endpoints()
        .forEach(
            endpoint ->
                out.println(
                    "endpoint "
                        + endpoint.id()
                        + "  "
                        + endpoint.protocol().label()
                        + "  "
                        + endpoint.address()));
    service.operations().stream()
        .filter(
            operation ->
                view.operation().isEmpty()
                    || view.operation().get().equals(operation.name())
                    || view.operation().get().equals(operation.id().text()))
        .forEach(this::operation);
  }

  private void operation(Operation operation) {
    out.println();
    out.println(operation.id() + "  " + operation.effect().name().toLowerCase(Locale.ROOT));
    if (!operation.documentation().isEmpty()) {
      out.println("  " + operation.documentation());
    }
    if (view.fields()) {
      side("goes in", operation.input());
      side("comes back", operation.output());
      operation.faults().forEach(fault -> side("fault " + fault.name(), fault.detail()));
    }
    operation.links().forEach(link -> out.println("  leads to " + link.target()));
  }

  private void side(String title, ShapeId root) {
    out.println("  " + title);
    List<FieldTree.Row> rows =
        FieldTree.rows(
            service.shapes(),
            root,
            new FieldTree.Limit(view.depth(), MAX_ROWS, view.variants(), Hints.Direction.BOTH));
    if (rows.isEmpty()) {
      out.println("    nothing");
    }
    for (FieldTree.Row row : rows) {
      out.println(
          "    "
              + "  ".repeat(row.path().length() - 1)
              + row.field().name()
              + (row.repeats() ? " ×n" : "")
              + (row.field().isRequired() ? "" : " ?")
              + "  "
              + DescriptionJson.type(row.shape())
              + (row.recursive() ? "  (again)" : "")
              + (row.more() ? "  (more)" : ""));
    }
  }
}
