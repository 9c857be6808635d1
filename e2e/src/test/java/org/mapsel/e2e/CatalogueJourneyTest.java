package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** From a list of services to one of them. */
@ExtendWith(SharedProduct.class)
class CatalogueJourneyTest {

  private static final int MANY = 10_000;

  @Test
  void anEntryOfTheListBecomesAService(User user, StandIns standIns) {
    user.page.keyboard().type(standIns.catalogue());
    user.keys("Enter");
    user.sees("A list of 305 services");

    entry(user, "Tides");
    user.sees("6 operations over").press("Back to the list of 305 services");
    entry(user, "Yard cranes");
    user.press("Take 26 operations");
    user.sees("List Cranes");
  }

  private static void entry(User user, String name) {
    user.type("Find a service in the list", name);
    user.page.getByText(name, new Page.GetByTextOptions().setExact(true)).click();
  }

  @Test
  void tenThousandEntriesAreSearchedAsOneTypes(User user) {
    String entries =
        IntStream.range(0, MANY)
            .mapToObj(
                number ->
                    "{\"anchor\":\"/lamps/%d\",\"service-desc\":[{\"href\":\"/lamps/%d/openapi.json\"}]}"
                        .formatted(number, number))
            .collect(Collectors.joining(",\n"));
    user.page
        .getByLabel("Description files")
        .setInputFiles(
            new FilePayload(
                "lamps.json",
                "application/json",
                ("{\"linkset\":[" + entries + "]}").getBytes(StandardCharsets.UTF_8)));
    user.sees("A list of 10,000 services").sees("The first 200 of 10,000 services");
    Locator rows = user.page.getByRole(AriaRole.LISTITEM);
    assertThat(rows).hasCount(200);

    user.type("Find a service in the list", "lamps/9876");
    assertThat(rows).hasCount(1);
    user.sees("1 match").sees("/lamps/9876/openapi.json");
  }
}
