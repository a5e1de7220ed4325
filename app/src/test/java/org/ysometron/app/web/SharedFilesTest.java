package org.ysometron.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.web.servlet.resource.ResourceUrlProvider;
import org.ysometron.app.DemoSite;

class SharedFilesTest extends DemoSite {

    @Autowired
    private ResourceUrlProvider files;

    private MockHttpServletResponse answer(String address) throws Exception {
        return http.perform(get(address)).andExpect(status().isOk()).andReturn().getResponse();
    }

    private static List<String> found(String text, String pattern) {
        return Pattern.compile(pattern)
                .matcher(text)
                .results()
                .map(result -> result.group(1))
                .toList();
    }

    /** What the page names, and what the styles name in turn, is there; each under its fingerprint, kept for a year. */
    @Test
    void everyFileThatAPageNamesIsThere() throws Exception {
        String page = answer("/sign-in").getContentAsString();
        List<String> named = found(page, "(?:href|src)=\"(/[^\"]+\\.(?:css|js|svg))\"");
        assertThat(named).hasSizeGreaterThanOrEqualTo(4);
        for (String file : named) {
            assertThat(file).matches("/[a-z.]+-[0-9a-f]{32}\\.(css|js|svg)");
            assertThat(answer(file).getHeader("Cache-Control")).isEqualTo("max-age=31536000");
        }
        String styles =
                named.stream().filter(file -> file.endsWith(".css")).findFirst().orElseThrow();
        List<String> fonts = found(answer(styles).getContentAsString(), "url\\(\"?(/fonts/[^)\"]+)\"?\\)");
        assertThat(fonts).hasSizeGreaterThanOrEqualTo(2);
        for (String font : fonts) {
            assertThat(answer(font).getContentAsByteArray()).as(font).startsWith('w', 'O', 'F', '2');
        }
    }

    /** A link to a page is no file's: nobody looks for one in the archives while the page is written. */
    @Test
    void aPagesAddressIsNoFiles() {
        assertThat(files.getHandlerMap().keySet()).isNotEmpty().noneMatch(pattern -> pattern.equals("/**"));
        assertThat(files.getForLookupPath("/ysometron.css")).isNotEqualTo("/ysometron.css");
        assertThat(files.getForLookupPath("/lots/SK-0130/bench")).isNull();
    }

    @Test
    void whatIsNoFileIsNoneOfOurs() throws Exception {
        for (String file : List.of("/application.properties", "/fonts/../application.properties", "/nothing.css")) {
            assertThat(http.perform(get(file)).andReturn().getResponse().getStatus())
                    .as(file)
                    .isNotEqualTo(200);
        }
    }
}
