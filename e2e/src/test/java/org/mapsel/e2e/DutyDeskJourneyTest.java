package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** The demo app and its services, well and unwell. */
class DutyDeskJourneyTest {

  @RegisterExtension static final SharedDemo DEMO = SharedDemo.changed();

  @Test
  void aRecordPageShowsAVesselAndAFaultIsSaidInTheServicesWords() {
    User user = DEMO.user().visit("duty-desk", "Get vessel");
    user.press("Get vessel").sees("Please fill in: Hull number.");
    user.type("Hull number", "S-20417").press("Get vessel");
    user.sees("Salt Wren").doesNotSee("Please fill in");
    user.type("Hull number", "S-99999").press("Get vessel");
    user.sees("There is no vessel with hull number S-99999.");
  }

  @Test
  void aNestedParameterIsSentAndATypedFaultComesBack() {
    User user = DEMO.user().goTo("/services/berthing/operations/ReserveBerth");
    user.type("hullNumber value", "S-20417").type("arrives value", "2031-05-14T06:40");
    user.type("nights value", "2").type("berth value", "N6");
    user.press("Send");
    user.sees("R-900").press("Send");
    user.sees("The service refused: Berth N6 is taken.").sees("BerthTaken").sees("freeFrom");
  }

  @Test
  void aPictureIsShownAsAPicture() {
    User user = DEMO.user().goTo("/services/berthing/operations/GetVesselPicture");
    user.type("hullNumber value", "S-20417").press("Send").sees("just answered");

    Locator picture =
        user.page.getByAltText(
            "picture: image/png", new Page.GetByAltTextOptions().setExact(false));
    assertThat(picture).isVisible();
    assertThat((Integer) picture.evaluate("image => image.naturalWidth")).isEqualTo(320);
  }

  @Test
  void anUnwellServiceIsExplainedOnTheBenchAndOnFinishedPages() {
    User builder = DEMO.user().goTo("/services/berthing/operations/ListArrivals");
    builder.type("day value", "2031-05-14");
    User reader = DEMO.user().visit("duty-desk", "List arrivals");
    reader.type("Day", "2031-05-14");
    String[][] cases = {
      {"SLOW", "did not answer within 8 s"},
      {"DROPPED", "closed the connection before its answer was complete"},
      {"ERROR_PAGE", "something that is not XML"},
      {"TRUNCATED", "breaks off or is not well-formed"},
      {"FAULT", "The harbour office is closed for the night."},
    };
    for (String[] one : cases) {
      DEMO.standIns().turn(one[0], 12_000);
      builder.press("Send").sees(one[1]);
      reader.press("List arrivals").sees(one[1]);
    }
    DEMO.standIns().turn("NORMAL");
    builder.press("Send").sees("just answered");
    reader.press("List arrivals").sees("24 rows");
    assertThat(reader.page.getByRole(AriaRole.ALERT)).hasCount(0);
  }

  @Test
  void aSheetIsWorkedWithTheKeyboardAlone() {
    User user = DEMO.user().goTo("/services/berthing/operations/ListArrivals");
    Locator sheet = user.page.getByRole(AriaRole.TREEGRID);
    assertThat(sheet).isVisible();
    sheet.focus();
    user.keys("Enter");
    assertThat(user.page.getByLabel("day value")).isFocused();
    user.type("day value", "2031-05-15").keys("Control+Enter");
    user.sees("just answered");
    user.keys("Escape");
    assertThat(sheet).isFocused();

    user.keys("/");
    user.page.keyboard().type("hull");
    user.keys("Enter");
    assertThat(sheet).isFocused();
    user.keys("Home", "End", "Space");
    assertThat(user.role(AriaRole.CHECKBOX, "Use hullNumber")).isChecked();
    user.keys("/", "Escape");
    user.keys("Home", "ArrowDown", "ArrowDown", "ArrowDown", "ArrowDown", "ArrowDown");
    assertThat(active(user)).containsText("arrivals");
    user.keys("ArrowLeft");
    assertThat(user.page.getByText("etaUtc")).hasCount(0);
    user.keys("ArrowRight", "ArrowRight");
    assertThat(active(user)).containsText("arrivalId");
    user.keys("ArrowLeft");
    assertThat(active(user)).containsText("arrivals");
  }

  private static Locator active(User user) {
    String id = user.page.getByRole(AriaRole.TREEGRID).getAttribute("aria-activedescendant");
    return user.page.locator("[id=\"" + id + "\"]");
  }

  @Test
  void aStepperGoesThroughTheItems() {
    User user = DEMO.user().goTo("/services/berthing/operations/ListArrivals");
    user.type("day value", "2031-05-14").press("Send").sees("1 of 24");
    user.sees("Marrow Curlew").press("Next arrivals").sees("2 of 24").sees("Salt Wren");
    user.doesNotSee("Marrow Curlew");
  }

  @Test
  void twoPeopleOnOneAppLoseNothing() {
    User first = DEMO.user().build("duty-desk", "Reserve berth");
    User second = DEMO.user().build("duty-desk", "Reserve berth");
    assertThat(second.page.getByRole(AriaRole.TREEGRID)).isVisible();
    assertThat(first.page.getByRole(AriaRole.TREEGRID)).isVisible();

    relabelButton(first, "Reserve berth", "Reserve");
    relabelButton(second, "Reserve berth", "Book a berth");

    second.sees("The app was changed somewhere else in the meantime");
    second.press("Make my edit again");
    assertThat(second.role(AriaRole.BUTTON, "Book a berth")).isVisible();
    second.press("Undo");
    assertThat(second.role(AriaRole.BUTTON, "Reserve")).isVisible();
    second.press("Redo");
    assertThat(second.role(AriaRole.BUTTON, "Book a berth")).isVisible();
  }

  private static void relabelButton(User user, String from, String to) {
    user.role(AriaRole.BUTTON, from).click();
    user.page.getByLabel("Words of this button:").click();
    user.type("Words of this button", to).keys("Enter");
  }

  @Test
  void aFinishedPageFitsAPhone() {
    User user = DEMO.user(390, 800).visit("duty-desk", "List arrivals");
    user.type("Day", "2031-05-14").press("List arrivals").sees("24 rows");

    assertThat((Boolean) user.page.evaluate("document.documentElement.scrollWidth <= innerWidth"))
        .isTrue();
    assertThat(user.heads().first()).not().isVisible();
    user.sees("Marrow Curlew");
  }

  @Test
  void filesAreReadTogether() {
    Path folder = Programs.ROOT.resolve("core/src/test/resources/descriptions");
    User user = DEMO.user().goTo("/services");
    user.page
        .getByLabel("Description files")
        .setInputFiles(
            new Path[] {
              folder.resolve("schemas/chameleon.xsd"),
              folder.resolve("schemas/dredging.xsd"),
              folder.resolve("dredging.wsdl")
            });
    user.sees("DredgingService").sees("3 documents, 4 operations over 3 endpoints");
    user.sees("The type {urn:saltmere:dredging:types}nowhere is used but declared nowhere.");
    user.sees("dredging.xsd, line 90");
  }

  @Test
  void aSheetOfFiveThousandRowsIsWorkedLikeASmallOne() {
    User user = DEMO.user().goTo("/services");
    user.type("Address or text of a description", wide(5_000)).keys("Enter");
    user.press("Take 1 operation").sees("GOES IN");
    Locator sheet = user.page.getByRole(AriaRole.TREEGRID);
    sheet.focus();
    user.keys("End");
    assertThat(active(user)).containsText("field4999");
    user.keys("Enter");
    user.type("field4999 value", "last").keys("Enter", "/");
    user.page.keyboard().type("field1234");
    user.keys("Enter");
    assertThat(user.page.getByLabel("field1234 value")).isVisible();
    assertThat(sheet.getByRole(AriaRole.ROW)).hasCount(3);
  }

  /** A description whose one operation has so many parameters. */
  private static String wide(int fields) {
    StringBuilder elements = new StringBuilder();
    for (int i = 0; i < fields; i++) {
      elements.append("<xs:element name='field" + i + "' type='xs:string' minOccurs='0'/>");
    }
    return "<definitions name='Wide' targetNamespace='urn:wide' xmlns:t='urn:wide'"
        + " xmlns='http://schemas.xmlsoap.org/wsdl/'"
        + " xmlns:soap='http://schemas.xmlsoap.org/wsdl/soap/'"
        + " xmlns:xs='http://www.w3.org/2001/XMLSchema'><types>"
        + "<xs:schema targetNamespace='urn:wide'><xs:element name='ask'><xs:complexType>"
        + "<xs:sequence>"
        + elements
        + "</xs:sequence></xs:complexType></xs:element></xs:schema>"
        + "</types><message name='Ask'><part name='p' element='t:ask'/></message>"
        + "<portType name='P'><operation name='Ask'><input message='t:Ask'/></operation></portType>"
        + "<binding name='S' type='t:P'><soap:binding transport='x'/><operation name='Ask'>"
        + "<soap:operation soapAction=''/><input><soap:body use='literal'/></input></operation>"
        + "</binding><service name='Wide'><port name='S' binding='t:S'>"
        + "<soap:address location='http://localhost:1/wide'/></port></service></definitions>";
  }

  @Test
  void anyPlaceIsReachedFromTheOneBox() {
    User user = DEMO.user().goTo("/services");
    user.sees("Berthing").keys("Control+k");
    user.page.keyboard().type("Get vessel");
    assertThat(user.role(AriaRole.OPTION, "Duty desk / Get vessel")).isVisible();
    user.keys("Enter");
    assertThat(user.page).hasURL(Pattern.compile(".*/apps/duty-desk/pages/page_\\d+"));
    user.goTo("/nowhere/at/all").sees("There is nothing at this address");
  }
}
