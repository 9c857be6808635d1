package org.mapsel.core.release;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Optional;
import org.assertj.core.api.ListAssert;
import org.junit.jupiter.api.Test;
import org.mapsel.core.appfile.AppFile;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Folio;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Shown;
import tools.jackson.databind.json.JsonMapper;

/** What is told of two versions of an app. */
class AppChangesTest {

  private static final JsonMapper JSON = new JsonMapper();

  private static App app() throws IOException {
    try (InputStream in = AppChangesTest.class.getResourceAsStream("/apps/format-4.json")) {
      return AppFile.read(JSON.readTree(in)).get();
    }
  }

  private static ListAssert<String> changes(App is) throws IOException {
    return assertThat(
        AppChanges.between(app(), is).stream()
            .map(change -> change.where() + ": " + change.words()));
  }

  @Test
  void anAppIsLikeItself() throws IOException {
    changes(app()).isEmpty();
  }

  @Test
  void whatBelongsToTheWholeAppIsToldFirst() throws IOException {
    App app = app();
    RecordType type = app.model().types().get(0);
    changes(
            app.withName("Wharf board")
                .using(new App.ServiceUse("yard", "e9"))
                .with(app.model().with(type.named("Ship")))
                .with(Folio.EMPTY))
        .containsExactly(
            "App: renamed from Quay board to Wharf board",
            "Start page: arranged anew",
            "Services: yard is used in another edition",
            "Model: Vessel is called Ship");
  }

  @Test
  void pagesAreToldByTheirParts() throws IOException {
    App app = app();
    Page page = app.pages().get(0);
    Part first = page.parts().get(0);
    Page changed =
        page.withName("Other")
            .withParts(page.parts().subList(1, page.parts().size()))
            .withCalls(List.of());
    List<String> calls =
        page.calls().stream()
            .map(call -> "Other: does not call " + call.operation() + " any more")
            .toList();

    changes(app.with(changed))
        .contains("Other: renamed from " + page.name())
        .anyMatch(
            line ->
                line.startsWith("Other: " + first.getClass().getSimpleName().toLowerCase())
                    && line.endsWith("removed"))
        .containsAll(calls);
    changes(app.withPages(app.pages().subList(1, app.pages().size())))
        .containsExactly(page.name() + ": page removed");
  }

  @Test
  void aFieldOfAPartIsToldByWhatItShows() throws IOException {
    App app = app();
    Page page =
        app.pages().stream().filter(one -> one.items().findAny().isPresent()).findFirst().get();
    Page.Inside inside = page.items().filter(one -> one.part().showsFields()).findFirst().get();
    Page changed =
        page.with(
            inside.part(), inside.item().withSlot(Shown.VALUE, Optional.of(Mapping.fixed("7"))));

    changes(app.with(changed)).singleElement().asString().endsWith("is filled from something else");
  }
}
