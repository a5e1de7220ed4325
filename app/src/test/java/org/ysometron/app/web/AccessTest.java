package org.ysometron.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import jakarta.servlet.DispatcherType;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.ysometron.app.DemoSite;
import org.ysometron.core.gate.Right;

/** Who may do what: every door that changes something, tried with each right alone. */
class AccessTest extends DemoSite {

    /** Each line: the path that is posted to, and the rights that open it. */
    @ParameterizedTest
    @CsvSource({
        "/products/new, ADMINISTRATION",
        "/products/skerry-bf10/life, ADMINISTRATION JUDGEMENT",
        "/products/skerry-bf10/shelf, ADMINISTRATION JUDGEMENT",
        "/products/skerry-bf10/prices, ADMINISTRATION JUDGEMENT",
        "/products/skerry-bf10/publish/label, ADMINISTRATION JUDGEMENT",
        "/products/skerry-bf10/conflicts, JUDGEMENT",
        "/lots/new, ENTRY",
        "/lots/SK-0129/sets, ENTRY",
        "/lots/SK-0129/samples, ENTRY",
        "/lots/SK-0129/intake, ENTRY",
        "/lots/SK-0129/logs, ENTRY",
        "/lots/SK-0129/bench, ENTRY",
        "/lots/SK-0129/import, ENTRY",
        "/lots/SK-0129/records, ENTRY",
        "/lots/SK-0129/records/uploads/1, ENTRY",
        "/lots/SK-0129/records/1/analyses, ENTRY",
        "/lots/SK-0129/words, JUDGEMENT",
        "/lots/SK-0129/decision, RELEASE",
        "/products/skerry-bf10/plan, JUDGEMENT",
        "/products/skerry-bf10/recipes, JUDGEMENT",
        "/products/skerry-bf10/treatments, JUDGEMENT",
        "/products/skerry-bf10/reference, JUDGEMENT",
        "/products/skerry-bf10/bridging, JUDGEMENT",
        "/lots/SK-0129/plan, JUDGEMENT",
        "/lots/SK-0129/plan/take, ENTRY",
        "/lots/SK-0129/plan/dates, ENTRY",
        "/lots/SK-0129/make/runs, ENTRY",
        "/lots/SK-0129/make/chambers, ENTRY",
        "/lots/SK-0129/make/pieces, ENTRY",
        "/lots/SK-0129/make/parts, ENTRY",
        "/designs, JUDGEMENT",
        "/designs/OWN_NONE/withdraw, JUDGEMENT",
        "/products/skerry-bf10/masters, JUDGEMENT",
        "/products/skerry-bf10/masters/1, JUDGEMENT RELEASE",
        "/products/skerry-bf10/weights, JUDGEMENT",
        "/equipment/1/limits, ADMINISTRATION JUDGEMENT",
        "/equipment/1/upkeep, ENTRY",
        "/equipment/1/irradiance, ENTRY",
        "/lots/SK-0129/make/rework, ENTRY",
        "/lots/SK-0129/make/bought, ENTRY",
        "/lots/SK-0129/make/bought/1, JUDGEMENT",
        "/lots/SK-0129/make/climate, ENTRY",
        "/lots/SK-0129/make/weighings, ENTRY",
        "/lots/SK-0129/make/marks, ENTRY",
        "/lots/SK-0129/make/order, ENTRY",
        "/lots/SK-0129/bench/confirmation, ENTRY",
        "/lots/SK-0129/bench/owed, ENTRY",
        "/lots/SK-0129/bench/display, ENTRY",
        "/methods/HEAT, ADMINISTRATION JUDGEMENT",
        "/methods/site, ADMINISTRATION JUDGEMENT",
        "/equipment/1/rig, ADMINISTRATION JUDGEMENT",
        "/equipment/1/serial, ADMINISTRATION JUDGEMENT",
        "/instruments/places, ADMINISTRATION JUDGEMENT",
        "/instruments/places/0/removal, ADMINISTRATION JUDGEMENT",
        "/instruments/places/0/exchange, ADMINISTRATION JUDGEMENT",
        "/instruments/presses/0, ENTRY",
        "/instruments/streams/0, ENTRY",
        "/instruments/1/hold, ENTRY",
        "/instruments/1/letting-go, ENTRY",
        "/lots/SK-0129/records/streams, ENTRY",
        "/lots/SK-0129/logs/winding, ENTRY",
        "/lots/SK-0129/bench/line/streams, ENTRY",
        "/equipment/1/standards, ADMINISTRATION JUDGEMENT",
        "/equipment/standards/1/readings, ENTRY",
        "/series/1/baseline, JUDGEMENT",
        "/series/1/answers, JUDGEMENT",
        "/series/1/events, JUDGEMENT",
    })
    void eachDoorOpensToItsRightsAlone(String path, String opens) throws Exception {
        for (Right right : Right.values()) {
            int answered = http.perform(post(path)
                            .with(user("somebody").authorities(new SimpleGrantedAuthority(right.name())))
                            .with(csrf()))
                    .andReturn()
                    .getResponse()
                    .getStatus();
            if (opens.contains(right.name())) {
                assertThat(answered)
                        .as(path + " with " + right)
                        .isNotEqualTo(403)
                        .isLessThan(500);
            } else {
                assertThat(answered).as(path + " with " + right).isEqualTo(403);
            }
        }
    }

    /** Nothing is shown to somebody who is not signed in, and no form is taken without its token. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "/",
                "/products",
                "/products/skerry-bf10",
                "/products/skerry-bf10/wanting",
                "/publications/1/export.json",
                "/publications/1/file",
                "/lots/SK-0130/intake",
                "/lots/DN-0047/logs/1",
                "/raw?code=BF-0301",
                "/calendar",
                "/calendar.ics",
                "/methods",
                "/lots/SK-0132/plan",
                "/lots/SK-0130/records",
                "/lots/SK-0130/records/1/curve",
                "/lots/SK-0132/make",
                "/lots/SK-0132/labels",
                "/lots/CW-0021/places",
                "/equipment/calibrations/1/certificate",
                "/lots/SK-0125/record.json"
            })
    void nothingIsShownToAStranger(String path) throws Exception {
        http.perform(get(path)).andExpect(status().is3xxRedirection());
    }

    @Test
    void aFormWithoutItsTokenIsRefused() throws Exception {
        http.perform(post("/lots/SK-0129/samples").with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY"))))
                .andExpect(status().isForbidden());
    }

    /** Ranges are checked: whatever number stands in an address, a page answers it. */
    @ParameterizedTest
    @CsvSource({
        "/?page=2147483647, 200",
        "/?page=-7, 200",
        "/decided?page=2147483647, 200",
        "/decided?page=99999999999, 400",
        "/calendar?days=2147483647, 200",
        "/calendar?days=-2147483648, 200",
        "/products/skerry-bf10/drift?to=2147483647, 200",
        "/products/skerry-bf10/drift?to=-3, 200",
        "/products/skerry-bf10/plan?n=-1&margin=NaN, 200",
        "/products/skerry-bf10/plan?n=2147483647&margin=1e308, 200",
        "/products/skerry-bf10/plan?n=0&margin=-Infinity, 200",
        "/products/skerry-bf10/plan?margin=-4, 200",
        "/lots/SK-0130/plan?later=2147483647&again=2147483647&days=-1, 200",
        "/lots/DN-0041/logs/1?from=NaN, 200",
        "/lots/DN-0041/logs/1?from=9e307&to=-9e307, 200",
        "/lots/DN-0041/logs/1?from=5&to=5, 200"
    })
    void noNumberInAnAddressBreaksAPage(String address, int expected) throws Exception {
        http.perform(get(address).with(user("quality").authorities(new SimpleGrantedAuthority("JUDGEMENT"))))
                .andExpect(status().is(expected));
    }

    /** A form that was refused stands at its own address: reached again by it, one is led to the page that it is of. */
    @ParameterizedTest
    @CsvSource({
        "/equipment/list, /equipment",
        "/equipment/calibrations, /equipment",
        "/accounts/list, /accounts",
        "/account/password, /account",
        "/lots/SK-0130/words, /lots/SK-0130",
        "/lots/SK-0130/make/runs, /lots/SK-0130/make#runs",
        "/products/skerry-bf10/publish/datasheet/file, /products/skerry-bf10/publish/datasheet",
        "/series/1/baseline, /"
    })
    void aFormsAddressLeadsToItsPage(String form, String page) throws Exception {
        http.perform(get(form)
                        .with(user("administrator")
                                .authorities(
                                        new SimpleGrantedAuthority("ADMINISTRATION"),
                                        new SimpleGrantedAuthority("JUDGEMENT"))))
                .andExpect(redirectedUrl(page));
    }

    /** What does not exist is answered with 404 on a page of ours, whatever is asked of it. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "/products/none",
                "/products/skerry-bf10/publish/leaflet",
                "/publications/99999/export.json",
                "/publications/1/file",
                "/lots/none/intake",
                "/lots/SK-0130/logs/99999",
                "/lots/SK-0130/logs/jobs/none",
                "/lots/SK-0130/intake?correct=99999",
                "/lots/none/plan",
                "/lots/none/make",
                "/lots/none/calendar.ics",
                "/equipment/99999",
                "/equipment/calibrations/1/certificate",
                "/products/none/bridging",
                "/lots/SK-0130/nothing"
            })
    void whatDoesNotExistIsAnsweredWith404(String path) throws Exception {
        String page = http.perform(get(path)
                        .with(user("quality")
                                .authorities(
                                        new SimpleGrantedAuthority("ENTRY"), new SimpleGrantedAuthority("JUDGEMENT"))))
                .andExpect(status().isNotFound())
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(page).doesNotContain("Exception").doesNotContain("at org.");
    }

    /** The end of a page's listening, after its reader has signed out, is an end and no attempt to get in. */
    @Test
    void whatWasLetInMayEnd() throws Exception {
        http.perform(get("/lots")).andExpect(status().is3xxRedirection());
        assertThat(http.perform(get("/lots").with(request -> {
                            request.setDispatcherType(DispatcherType.ASYNC);
                            return request;
                        }))
                        .andReturn()
                        .getResponse()
                        .getRedirectedUrl())
                .isNull();
    }
}
