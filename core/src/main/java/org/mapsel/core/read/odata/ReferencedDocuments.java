package org.mapsel.core.read.odata;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.read.Reading;
import org.mapsel.core.service.EntityModel;

/**
 * Reads the documents that are referred to for a type that is used; vocabularies, of which only the
 * names matter here, are not asked for.
 */
final class ReferencedDocuments {

  private ReferencedDocuments() {}

  static void read(Csdl csdl, Reading reading, Consumer<SourceText> reader) {
    Set<Csdl.Reference> done = new HashSet<>();
    boolean more = !csdl.references.isEmpty();
    while (more) {
      more = false;
      Set<String> missing = missing(csdl);
      for (Csdl.Reference reference : List.copyOf(csdl.references)) {
        if (reference.namespaces().stream().anyMatch(missing::contains) && done.add(reference)) {
          reading
              .open(reference.uri(), reference.place(), "metadata")
              .ifPresent(
                  source -> {
                    reader.accept(source);
                  });
          more = true;
        }
      }
    }
  }

  /** The namespaces from which a type is used and in which none is declared. */
  private static Set<String> missing(Csdl csdl) {
    Set<String> used = new HashSet<>();
    csdl.types.stream()
        .flatMap(
            type ->
                Stream.concat(
                    type.base.stream(),
                    Stream.concat(
                        type.properties.stream().map(Csdl.Member::type),
                        type.navigations.stream().map(Csdl.Link::type))))
        .map(ReferencedDocuments::namespace)
        .forEach(used::add);
    csdl.sets.forEach(set -> used.add(namespace(set.type())));
    csdl.operations.forEach(
        operation -> {
          operation.returns().ifPresent(type -> used.add(namespace(type)));
          operation.parameters().forEach(parameter -> used.add(namespace(parameter.type())));
        });
    used.remove("Edm");
    used.remove("");
    used.removeAll(csdl.namespaces.keySet());
    return used;
  }

  private static String namespace(String type) {
    String item = EntityModel.itemType(type);
    int dot = item.lastIndexOf('.');
    return dot < 0 ? "" : item.substring(0, dot);
  }
}
