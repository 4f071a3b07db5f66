package paringknife.server.web;

import java.util.concurrent.TimeUnit;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import paringknife.server.episodes.DataFolder;

/** The front end's files, the caption fonts, and one page for every address of the application. */
@Configuration
class StaticPages implements WebMvcConfigurer {
  private final DataFolder data;

  StaticPages(DataFolder data) {
    this.data = data;
  }

  @Override
  public void addResourceHandlers(ResourceHandlerRegistry registry) {
    registry
        .addResourceHandler("/assets/**")
        .addResourceLocations("classpath:/static/assets/")
        .setCacheControl(CacheControl.maxAge(365, TimeUnit.DAYS).immutable());
    registry
        .addResourceHandler("/lettering-fonts/**")
        .addResourceLocations(data.fonts().toUri().toString() + "/")
        .setCacheControl(CacheControl.maxAge(1, TimeUnit.DAYS));
  }

  @Override
  public void addViewControllers(ViewControllerRegistry registry) {
    for (String page :
        new String[] {
          "/",
          "/queue",
          "/team",
          "/outbox",
          "/sheet",
          "/episodes/{id:\\d+}",
          "/episodes/{id:\\d+}/{stage:[a-z]+}"
        }) {
      registry.addViewController(page).setViewName("forward:/index.html");
    }
    registry.addViewController("/sign-in").setViewName("forward:/entry.html");
    registry.addViewController("/welcome/{token:[0-9a-f]+}").setViewName("forward:/entry.html");
    registry.addViewController("/proof/{token:[0-9a-f]+}").setViewName("forward:/proof.html");
  }
}
