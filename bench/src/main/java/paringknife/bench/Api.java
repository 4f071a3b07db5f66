package paringknife.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Asks the server under measurement. */
final class Api {
  private static final JsonMapper JSON = new JsonMapper();
  private static final HttpClient HTTP = HttpClient.newHttpClient();

  private Api() {}

  static JsonNode get(String url) throws IOException, InterruptedException {
    return JSON.readTree(
        HTTP.send(
                HttpRequest.newBuilder(URI.create(url)).build(),
                HttpResponse.BodyHandlers.ofString())
            .body());
  }

  static JsonNode post(String url, String body) throws IOException, InterruptedException {
    HttpResponse<String> response =
        HTTP.send(
            HttpRequest.newBuilder(URI.create(url))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build(),
            HttpResponse.BodyHandlers.ofString());
    if (response.statusCode() != 200) {
      throw new IllegalStateException(response.body());
    }
    return JSON.readTree(response.body());
  }
}
