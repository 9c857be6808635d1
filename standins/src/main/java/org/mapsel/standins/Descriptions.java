package org.mapsel.standins;

import io.swagger.v3.oas.annotations.Hidden;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.security.OAuthFlow;
import io.swagger.v3.oas.models.security.OAuthFlows;
import io.swagger.v3.oas.models.security.Scopes;
import io.swagger.v3.oas.models.security.SecurityRequirement;
import io.swagger.v3.oas.models.security.SecurityScheme;
import org.springdoc.core.models.GroupedOpenApi;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** The documents of the two services over HTTP and JSON, each at an address of its own. */
@Configuration
class Descriptions {

  private static final String LOGIN = "login";

  /** Where each is looked for; the generator has them all in one place. */
  @Hidden
  @Controller
  static class Addresses {

    @GetMapping("/tides/openapi.json")
    String tides() {
      return "forward:/described/tides";
    }

    @GetMapping("/declarations/openapi.json")
    String declarations() {
      return "forward:/described/declarations";
    }
  }

  @Bean
  GroupedOpenApi tides() {
    SecurityScheme key =
        new SecurityScheme()
            .type(SecurityScheme.Type.APIKEY)
            .in(SecurityScheme.In.HEADER)
            .name("X-Api-Key");
    return GroupedOpenApi.builder()
        .group("tides")
        .pathsToMatch("/tides/**")
        .addOpenApiCustomizer(api -> name(api, "Tides", "Heights of the sea at Saltmere.", key))
        .build();
  }

  @Bean
  GroupedOpenApi declarations() {
    SecurityScheme token =
        new SecurityScheme()
            .type(SecurityScheme.Type.OAUTH2)
            .flows(
                new OAuthFlows()
                    .clientCredentials(
                        new OAuthFlow().tokenUrl("/declarations/token").scopes(new Scopes())));
    return GroupedOpenApi.builder()
        .group("declarations")
        .pathsToMatch("/declarations/**", "/mooring-advice")
        .addOpenApiCustomizer(
            api -> name(api, "Declarations", "What the port authority of Saltmere is told.", token))
        .build();
  }

  private static void name(OpenAPI api, String title, String words, SecurityScheme login) {
    api.setInfo(new Info().title(title).version("1").description(words));
    api.getComponents().addSecuritySchemes(LOGIN, login);
    api.addSecurityItem(new SecurityRequirement().addList(LOGIN));
  }
}
