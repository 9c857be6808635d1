package org.mapsel.e2e;

import com.google.gson.JsonArray;
import com.google.gson.JsonElement;
import com.google.gson.JsonParser;
import com.microsoft.playwright.APIRequestContext;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.RequestOptions;
import java.util.List;
import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.BeforeEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ExtensionContext.Namespace;
import org.junit.jupiter.api.extension.ExtensionContext.Store;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;

/**
 * One running product with nothing in it, for journeys that need no start of their own: a {@link
 * User} before an empty start page, the {@link StandIns}, who behave, and the {@link Product}.
 */
final class SharedProduct implements BeforeEachCallback, AfterEachCallback, ParameterResolver {

  private static final Namespace HERE = Namespace.create(SharedProduct.class);

  /** What runs as long as there are tests. */
  private static final class Running implements AutoCloseable {
    final StandIns standIns = StandIns.start();
    final Product product = Product.empty();
    final Browser browser = new Browser();

    @Override
    public void close() {
      browser.close();
      product.close();
      standIns.close();
    }
  }

  private static Running running(ExtensionContext test) {
    return test.getRoot()
        .getStore(HERE)
        .getOrComputeIfAbsent(Running.class, none -> new Running(), Running.class);
  }

  private static Store own(ExtensionContext test) {
    return test.getStore(HERE);
  }

  @Override
  public void beforeEach(ExtensionContext test) {
    Running running = running(test);
    running.standIns.turn("NORMAL");
    User user = new User(running.browser, running.product);
    empty(user.page.request(), running.product.address());
    own(test).put(User.class, user.goTo("/").sees("No service yet."));
  }

  private static void empty(APIRequestContext api, String address) {
    RequestOptions own = RequestOptions.create().setHeader("Origin", address);
    for (String kind : List.of("/api/apps", "/api/services")) {
      JsonArray all = JsonParser.parseString(api.get(address + kind).text()).getAsJsonArray();
      for (JsonElement one : all) {
        String id = one.getAsJsonObject().get("id").getAsString();
        PlaywrightAssertions.assertThat(api.delete(address + kind + "/" + id, own)).isOK();
      }
    }
  }

  @Override
  public void afterEach(ExtensionContext test) {
    own(test).get(User.class, User.class).page.context().close();
  }

  @Override
  public boolean supportsParameter(ParameterContext parameter, ExtensionContext test) {
    Class<?> type = parameter.getParameter().getType();
    return type == User.class || type == StandIns.class || type == Product.class;
  }

  @Override
  public Object resolveParameter(ParameterContext parameter, ExtensionContext test) {
    Class<?> type = parameter.getParameter().getType();
    if (type == Product.class) {
      return running(test).product;
    }
    return type == StandIns.class ? running(test).standIns : own(test).get(User.class, User.class);
  }
}
