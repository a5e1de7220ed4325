package org.ysometron.app.account;

import jakarta.servlet.http.HttpSession;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.SessionAttribute;

@Controller
class SignInController {

    private static final Map<String, String> SAID = Map.of(
            "refused", "This name and password do not go together. Try again.",
            "slowed", "Too many wrong tries. Wait half a minute, then try again.",
            "kept", "Your session ended. What you typed is kept: sign in, and send it again.",
            "ended", "Your session ended. Sign in again.");

    private final boolean demo;

    SignInController(@Value("${ysometron.demo}") boolean demo) {
        this.demo = demo;
    }

    @GetMapping("/sign-in")
    String page(@RequestParam Map<String, String> sent, Model model) {
        model.addAttribute("demo", demo);
        model.addAttribute(
                "said",
                sent.keySet().stream()
                        .filter(SAID::containsKey)
                        .map(SAID::get)
                        .findFirst()
                        .orElse(null));
        return "account/sign-in";
    }

    /** A form that was sent when its session had ended, to be sent again. */
    @GetMapping("/resume")
    String resume(
            @SessionAttribute(name = KeptForm.KEY, required = false) @org.jspecify.annotations.Nullable KeptForm kept,
            HttpSession session,
            Model model) {
        if (kept == null) {
            return "redirect:/";
        }
        session.removeAttribute(KeptForm.KEY);
        model.addAttribute("kept", kept);
        return "account/resume";
    }
}
