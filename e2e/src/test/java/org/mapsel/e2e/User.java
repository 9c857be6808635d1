package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;

/**
 * Somebody at the screen: finds things by their role and words, as people and screen readers do.
 */
final class User {

  final Page page;
  private final String address;

  User(Browser browser, Product product) {
    this(browser, product, 1280, 800);
  }

  User(Browser browser, Product product, int width, int height) {
    this.page = browser.open(width, height);
    this.address = product.address();
  }

  User goTo(String path) {
    page.navigate(address + path);
    return this;
  }

  /** Opens a page on the bench, by the names that people gave. */
  User build(String app, String name) {
    return goTo("/apps/" + app + "/pages/" + Pages.idOf(page, address, app, name));
  }

  /** Opens a page as visitors would see the draft, by the names that people gave. */
  User visit(String app, String name) {
    return goTo("/draft/" + app + "/" + Pages.idOf(page, address, app, name));
  }

  Locator role(AriaRole role, String name) {
    return page.getByRole(role, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  User press(String button) {
    role(AriaRole.BUTTON, button).first().click();
    return this;
  }

  User follow(String link) {
    role(AriaRole.LINK, link).first().click();
    return this;
  }

  /** Fills the field with this label, with or without the star of a required one. */
  User type(String label, String text) {
    page.getByLabel(Pattern.compile("^" + label + "\\s*\\*?$")).fill(text);
    return this;
  }

  /** Ticks or unticks the field with this name; the first one of several. */
  User tick(String field) {
    role(AriaRole.CHECKBOX, "Use " + field).first().click();
    return this;
  }

  User keys(String... keys) {
    for (String key : keys) {
      page.keyboard().press(key);
    }
    return this;
  }

  User sees(String words) {
    assertThat(page.getByText(words).first()).isVisible();
    return this;
  }

  User doesNotSee(String words) {
    assertThat(page.getByText(words)).hasCount(0);
    return this;
  }

  Locator heads() {
    return page.getByRole(AriaRole.COLUMNHEADER);
  }

  /** Turns the page on the bench to running, or back. */
  User run(boolean on) {
    page.getByLabel("Run").setChecked(on);
    return this;
  }
}
