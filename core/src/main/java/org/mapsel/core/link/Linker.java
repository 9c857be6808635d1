package org.mapsel.core.link;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.declare.Declarations;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.service.Service;

/** Makes a service of what was declared. */
public final class Linker {

  private Linker() {}

  /** Whatever can be linked; what cannot is a finding and left out. */
  public static Service link(Declarations declarations, Findings findings) {
    if (declarations.isOverHttp()) {
      return HttpLinker.link(declarations, findings);
    }
    if (declarations.entities().isPresent()) {
      return EntityLinker.link(declarations, findings);
    }
    ShapeBuilder shapes = new ShapeBuilder(declarations, findings);
    OperationLinker operations = new OperationLinker(shapes);
    operations.linkAll();
    shapes.finish();
    if (operations.operations().isEmpty()) {
      findings.add(Finding.error("WSDL_OPERATION_NONE"));
    }
    return new Service(
        name(declarations),
        declarations.documentation().isEmpty()
            ? declarations.services().stream()
                .map(service -> service.documentation())
                .filter(text -> !text.isEmpty())
                .findFirst()
                .orElse("")
            : declarations.documentation(),
        operations.endpoints(),
        List.copyOf(operations.operations()),
        shapes.shapes(),
        Optional.empty());
  }

  private static String name(Declarations declarations) {
    return declarations.services().stream()
        .map(service -> service.name().local())
        .filter(name -> !name.isEmpty())
        .findFirst()
        .orElse(declarations.name().isEmpty() ? "Service" : declarations.name());
  }
}
