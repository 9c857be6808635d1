package org.mapsel.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.mapsel.core.page.run.PageState;
import org.mapsel.server.testing.BerthingApp;

/** The states of runs, changed by several at once. */
class RunStatesTest extends BerthingApp {

  private static final int AT_ONCE = 6;
  private static final int TIMES = 20;

  private final RunStore store = SERVER.bean(RunStore.class);
  private final RunStates states = SERVER.bean(RunStates.class);
  private RunStore.Kept begun;
  private Running running;

  @BeforeEach
  void begin() {
    edit(1, addPage);
    begun =
        store.begin(
            app.substring(app.lastIndexOf('/') + 1),
            pageId(),
            Optional.empty(),
            true,
            Optional.empty(),
            StateJson.write(PageState.EMPTY));
    running = SERVER.bean(OpenPages.class).running(begun);
  }

  private static PageState saying(PageState state, String words) {
    return state.saying(new PageState.Message(false, words));
  }

  private List<String> said() {
    RunStore.Kept kept = store.find(begun.id()).orElseThrow();
    return states.of(kept, running).messages().stream().map(PageState.Message::text).toList();
  }

  @Test
  void ofManyChangesAtOnceEachIsMadeOnWhatTheOthersLeft() {
    List<CompletableFuture<Void>> changing =
        IntStream.range(0, AT_ONCE)
            .mapToObj(
                one ->
                    CompletableFuture.runAsync(
                        () -> {
                          for (int i = 0; i < TIMES; i++) {
                            String words = one + "-" + i;
                            assertThat(states.change(running, before -> saying(before, words)))
                                .isTrue();
                          }
                        }))
            .toList();
    changing.forEach(CompletableFuture::join);

    assertThat(said()).hasSize(AT_ONCE * TIMES).doesNotHaveDuplicates();
  }

  @Test
  void whatAnotherServerChangedMeanwhileIsNotOverwritten() {
    assertThat(states.change(running, before -> saying(before, "one"))).isTrue();
    RunStore.Version here = store.version(begun.id()).orElseThrow();
    assertThat(
            store.replace(
                begun.id(), here, StateJson.write(saying(PageState.EMPTY, "from elsewhere"))))
        .isPresent();

    assertThat(states.change(running, before -> saying(before, "two"))).isTrue();
    assertThat(said()).containsExactly("from elsewhere", "two");
    assertThat(store.replace(begun.id(), here, StateJson.write(PageState.EMPTY))).isEmpty();
    assertThat(said()).containsExactly("from elsewhere", "two");
  }

  @Test
  void aRunThatIsOverIsNotChanged() {
    assertThat(states.change(running, before -> saying(before, "one"))).isTrue();
    store.remove(begun.id());

    assertThat(states.change(running, before -> saying(before, "two"))).isFalse();
  }
}
