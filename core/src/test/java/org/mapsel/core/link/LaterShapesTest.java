package org.mapsel.core.link;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.testing.Descriptions;

/** Shapes that are made when somebody asks for them. */
@Timeout(60)
class LaterShapesTest {

  private static final int THREADS = 8;

  @Test
  void everybodyWhoAsksAtOnceGetsTheSameShapes() throws Exception {
    Service service = Descriptions.service("/descriptions/yard.xml");
    List<Callable<Set<Shape>>> walks = Collections.nCopies(THREADS, () -> reached(service));
    try (ExecutorService threads = Executors.newFixedThreadPool(THREADS)) {
      Set<Shape> together = Collections.newSetFromMap(new IdentityHashMap<>());
      List<Integer> sizes = new ArrayList<>();
      for (Future<Set<Shape>> walk : threads.invokeAll(walks)) {
        together.addAll(walk.get());
        sizes.add(walk.get().size());
      }
      assertThat(sizes).containsOnly(together.size());
    }
  }

  @Test
  void typesOfOneNameInTwoNamespacesStayApart() {
    Service service = Descriptions.service("/descriptions/marks.xml");
    Shapes shapes = service.shapes();
    Operation read = Descriptions.operation(service, "SeaMarks.read");
    List<Field> sea = shapes.fieldsOf(read.output());
    assertThat(sea).extracting(Field::name).containsExactly("etag", "Id", "Twin");
    assertThat(shapes.fieldsOf(sea.get(2).shape()))
        .extracting(Field::name)
        .containsExactly("etag", "Id", "Height");
  }

  private static Set<Shape> reached(Service service) {
    Shapes shapes = service.shapes();
    Set<Shape> reached = Collections.newSetFromMap(new IdentityHashMap<>());
    List<ShapeId> open = new ArrayList<>();
    for (Operation operation : service.operations()) {
      open.add(operation.input());
      open.add(operation.output());
    }
    while (!open.isEmpty()) {
      Shape shape = shapes.get(open.remove(open.size() - 1));
      if (reached.add(shape)) {
        shapes.fieldsOf(shape.id()).forEach(field -> open.add(field.shape()));
      }
    }
    return reached;
  }
}
