package org.mapsel.core.service;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.ShapeId;

/** Operations that are made when they are asked for. */
class OperationListTest {

  private static final int COUNT = 50;

  private final List<Integer> made = Collections.synchronizedList(new ArrayList<>());
  private final OperationList list =
      OperationList.made(
          IntStream.range(0, COUNT).mapToObj(i -> new OperationId("berth" + i)).toList(),
          this::operation);

  private Operation operation(int place) {
    made.add(place);
    ShapeId none = new ShapeId("", "none");
    return new Operation(
        new OperationId("berth" + place),
        "Berth " + place,
        Effect.READS,
        "",
        new Operation.Messages(
            none, none, Optional.empty(), Optional.empty(), List.of(), List.of()));
  }

  @Test
  void whatNobodyAsksForIsNotMade() {
    assertThat(list).hasSize(COUNT);
    assertThat(list.ids()).contains(new OperationId("berth49")).hasSize(COUNT);
    assertThat(list.find(new OperationId("buoy"))).isEmpty();
    assertThat(made).isEmpty();

    assertThat(list.find(new OperationId("berth7"))).map(Operation::name).contains("Berth 7");
    assertThat(list.get(7)).isSameAs(list.find(new OperationId("berth7")).orElseThrow());
    assertThat(made).containsExactly(7);
  }

  @Test
  void oneIsReplacedAndTheOthersAreStillNotMade() {
    Operation wider = operation(3).returning(new ShapeId("", "wider"));
    made.clear();
    OperationList other = list.with(wider);
    assertThat(other.find(wider.id())).containsSame(wider);
    assertThat(made).isEmpty();
    assertThat(other.get(4)).isSameAs(list.get(4));
    assertThat(list.find(wider.id())).isPresent().get().isNotSameAs(wider);
  }

  @Test
  void everybodyWhoAsksAtOnceGetsTheSame() throws Exception {
    try (ExecutorService threads = Executors.newFixedThreadPool(8)) {
      List<Future<List<Operation>>> copies =
          threads.invokeAll(Collections.nCopies(8, () -> List.copyOf(list)));
      List<Operation> first = copies.get(0).get();
      for (Future<List<Operation>> copy : copies) {
        for (int i = 0; i < COUNT; i++) {
          assertThat(copy.get().get(i)).isSameAs(first.get(i));
        }
      }
    }
  }

  @Test
  void aListOfOperationsIsTakenAsItIs() {
    assertThat(OperationList.of(list)).isSameAs(list);
    assertThat(OperationList.of(List.of(list.get(1), list.get(2))).ids())
        .containsExactly(new OperationId("berth1"), new OperationId("berth2"));
  }
}
