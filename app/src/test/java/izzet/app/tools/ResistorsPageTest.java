package izzet.app.tools;

import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import izzet.app.OneApplication;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

@OneApplication
class ResistorsPageTest {

    @Autowired
    private MockMvc pages;

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "drive | 3.3 | 86.67 Ω",
                "in | 12 | 5.6 kΩ",
                "clock | 400k | 3.541 kΩ",
                "driver | 25 | 82 Ω",
                "ohms | 2k2 | red, red, red, silver",
                "ohms | 4k75 | its rings cannot tell so many digits"
            })
    void eachAnswerIsReckoned(String field, String value, String told) throws Exception {
        pages.perform(get("/tools/resistors").param(field, value))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString(told)));
    }

    /** What cannot be reckoned is told; what was typed stays, and the other answers, too. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "drive | 1 | cannot be lit",
                "out | 9 | gives less than",
                "bottom | many | Resistor to ground",
                "capacitance | 40n | no value is right",
                "driver | 200 | no resistor is needed",
                "clock | 9M | go to 1 MHz"
            })
    void whatCannotBeIsTold(String field, String value, String told) throws Exception {
        pages.perform(get("/tools/resistors").param(field, value))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString(told)))
                .andExpect(content().string(containsString("value=\"" + value + "\"")))
                .andExpect(content().string(containsString("yellow, violet, red, silver")));
    }

    @Test
    void theSeriesIsChosen() throws Exception {
        pages.perform(get("/tools/resistors").param("series", "E96").param("amperes", "14m"))
                .andExpect(content().string(containsString("215 Ω")));
    }
}
