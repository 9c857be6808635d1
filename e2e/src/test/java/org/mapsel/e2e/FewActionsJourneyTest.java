package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/**
 * How much somebody has to do for usual pages, from the open start page to the first real answer on
 * them: presses, keys and choices, a value that is typed counting as one.
 */
@ExtendWith(SharedProduct.class)
class FewActionsJourneyTest {

  private static final String DAY = "2031-05-14";

  private User user;
  private StandIns standIns;

  @BeforeEach
  void sitDown(User before, StandIns running) {
    user = before;
    standIns = running;
    user.sees("Read a description");
  }

  /** Reads a description and opens the one operation of it that is taken. */
  private void read(String address, String operation) {
    user.type("Address or text of a description", address);
    user.keys("Enter");
    user.press(operation).sees("Make a page from this");
  }

  /** Reads a description, takes all of it and opens one operation. */
  private void readAll(String address, String operation) {
    user.type("Address or text of a description", address);
    user.keys("Enter");
    user.press(user.page.getByRole(AriaRole.BUTTON, named("^Take \\d+ operations$")));
    user.follow(operation).sees("Make a page from this");
  }

  private void makePage() {
    user.press("Make a page from this").sees("What happens");
  }

  private Locator page() {
    return user.page.getByTestId("right");
  }

  private void pick(String words) {
    user.press(page().getByText(words).first());
  }

  private void took(int most) {
    assertThat(user.actions()).as("actions").isLessThanOrEqualTo(most);
  }

  @Test
  void aFormAndTheFewFieldsOfItsAnswer() {
    read(standIns.berthing(), "ListArrivals");
    makePage();
    for (String unwanted : new String[] {"arrivalId", "kind", "lengthMetres"}) {
      user.tick(unwanted);
    }
    user.tick("berth").run(true).type("Day", DAY).press("List arrivals");

    user.sees("24 rows").sees("Marrow Curlew");
    assertThat(user.heads()).containsText(new String[] {"Name", "Hull number", "Flag", "Berth"});
    took(12);
  }

  @Test
  void aPictureOfWhatIsChosen() {
    readAll(standIns.berthing(), "GetVesselPicture");
    makePage();
    user.press(page().getByText("key of the vessel"));
    user.press(user.page.getByRole(AriaRole.BUTTON, named("^Chosen from")));
    user.press(user.page.getByRole(AriaRole.MENUITEM, named("ListArrivals")));
    user.run(true).type("Day", DAY).select("Hull number", "Marrow Curlew");

    assertThat(page().getByRole(AriaRole.IMG)).isVisible();
    took(13);
  }

  @Test
  void aListThatLeadsToARecordThatIsChanged() {
    read(standIns.yard(), "List Cranes");
    user.choose("as", "list, record and changes");
    makePage();
    user.run(true).press(page().getByRole(AriaRole.ROW).nth(2));
    user.press("Change").type("Called", "Old Heron").press("Save");

    user.sees("Old Heron");
    user.press("Back");
    assertThat(page().getByRole(AriaRole.CELL).getByText("Old Heron")).isVisible();
    took(14);
  }

  @Test
  void cardsOfAnEntityListAndTheirRecords() {
    read(standIns.yard(), "List Cranes");
    user.choose("as", "list and record");
    makePage();
    pick("3 rows");
    user.choose("How rows are shown", "as a list");
    user.run(true).press(page().getByRole(AriaRole.OPTION).first());

    assertThat(page().getByText("Jobs")).isVisible();
    took(11);
  }

  @Test
  void aFormThatFillsItselfAndAButtonOfTwoSteps() {
    readAll(standIns.berthing(), "ListArrivals");
    makePage();
    user.press("Add an operation").press(user.role(AriaRole.MENUITEM, "PortDay"));
    user.press("Call PortDay when the page is opened");
    pick("Day");
    user.press(user.page.getByLabel(Pattern.compile("^Day filled from")));
    user.press(user.page.getByRole(AriaRole.MENUITEM).getByText("day of PortDay"));
    user.press(page().getByLabel("Add a step").first());
    user.press(user.page.getByRole(AriaRole.MENUITEM).getByText("say").first());
    user.run(true).press("List arrivals");

    assertThat(page().getByRole(AriaRole.ROW).nth(2)).isVisible();
    took(16);
  }

  @Test
  void aValueAButtonAndWhatComesBack() {
    read(standIns.berthing(), "GetVessel");
    askForAVessel();

    took(7);
  }

  @Test
  void theSameOverTheOlderProtocol() {
    user.type("Address or text of a description", standIns.berthing());
    user.keys("Enter");
    user.press(user.page.getByRole(AriaRole.COMBOBOX, named("over")));
    user.press(user.page.getByRole(AriaRole.OPTION, named("SOAP 1.1")));
    user.press("GetVessel").sees("Make a page from this");
    askForAVessel();

    took(9);
  }

  private void askForAVessel() {
    makePage();
    user.run(true).type("Hull number", "S-20417").press("Get vessel");

    user.sees("answered, status 200");
  }

  private static Page.GetByRoleOptions named(String words) {
    return new Page.GetByRoleOptions().setName(Pattern.compile(words));
  }
}
