// What a check of a project asks of whoever can read its files and paint its looks.
#pragma once
#include <atomic>
#include <functional>
#include <optional>
#include <span>
#include <string>
#include <vector>

#include "core/findings/vision.h"
#include "runtime/document/project.h"
#include "runtime/layout/layout.h"
#include "runtime/machine/look.h"

namespace bristle {

// Why a file of the project cannot be used; empty when it can. Asked of whoever can read such files
// and knows where the project lies.
using WhyNoFile = std::function<std::string(const std::string& file)>;

// What a file of the project holds, as far as a check asks.
struct FileFacts {
  double width = 0, height = 0;  // of a picture, px; 0: it is drawn at any size
  int cutOff = 0;                // of a sound: samples that stand at the end of what can be said
  bool closed = false;           // of a font: its maker lets nobody carry it along
};
// Nothing where it cannot be read.
using FactsOfFile = std::function<std::optional<FileFacts>(const std::string& file)>;

// What is asked of text against what is behind it: WCAG 2.2 §1.4.3.
constexpr double contrastAsked(bool large) {
  return large ? 3 : 4.5;
}

// What is seen, as only who has the fonts and paints can tell. Used by one thread at a time.
class Eyes {
 public:
  virtual ~Eyes() = default;
  virtual const TextMeasure& measure() const = 0;
  // Whether the caption of a placed button, by index, cannot be read in full in some state.
  virtual bool cutsCaption(const Project& project, const Screen& screen, const Layout& layout,
                           size_t item) = 0;
  // How large a placed button's caption is painted, px of its font before it is scaled, in the
  // state where it is smallest; 0: it shows none.
  virtual double captionSize(const Project& project, const Screen& screen, const Layout& layout,
                             size_t item) = 0;
  // The letters of a button's caption that its font does not have, each once; another one stands in
  // for them. None where the font itself is not there.
  struct Missing {
    std::string family, letters;
  };
  virtual Missing missingLetters(const Project& project, const ButtonData& button,
                                 const LanguageId& language) = 0;
  // Of captions, and of icons that stand without one, in every state of their buttons, against what
  // is painted behind them there: in each of the layouts, and where something that is hidden at
  // first can lie behind them, against that, too. What lies on the same as another has lain on is
  // left out; where a kind hides what is behind it, one button stands for all. Comes back early
  // once `stop` is set.
  struct Caption {
    size_t item = 0;
    size_t layout = 0;  // by index
    StateId state = {};
    PartId part = {};
    double ratio = 0;               // WCAG 2.2 §1.4.3: 1–21
    Colour text = {}, behind = {};  // where that is
    bool large = false;             // 24 px, or bold and 18.66 px, and more
    bool icon = false;
  };
  virtual std::vector<Caption> captions(const Project& project, const Screen& screen,
                                        std::span<const Layout> layouts,
                                        const std::atomic<bool>* stop) = 0;
  // On the ways between two states of a kind that take time: for how long, ms, its sample caption,
  // or an icon that stands alone, is below 3 : 1 against what is painted behind it, and how low.
  struct Fading {
    StateId from = {}, to = {};
    double lasts = 0;
    double ratio = 0;  // the lowest
  };
  // What takes less than `least` is left out.
  virtual std::vector<Fading> fadings(const Project& project, const Kind& kind, Ms least,
                                      const std::atomic<bool>* stop) = 0;
  // What of a kind flashes more than three times in a second, in `area` px and more, while nobody
  // does anything: by key frames or the frames of a picture in a state, or where a machine goes
  // round by its timers. What asks for a condition on the way round is left out.
  struct Flashing {
    StateId state = {};
    PartId part = {};                      // whose frames they are
    std::vector<size_t> transitions = {};  // on the way round, by their place in the machine
    double three = 0;                      // ms in which three flashes go by
  };
  virtual std::vector<Flashing> flashings(const Project& project, const Kind& kind, double area,
                                          const std::atomic<bool>* stop) = 0;
  // How much of a part of what a panel or a picture is laid over cannot be seen through it, 0–1.
  // `part` lies within it, layout px.
  virtual double opaqueShare(const Item& over, const Placed& placed, const Box& part,
                             bool rightToLeft) = 0;
  // How many px of a kind look otherwise in the one state than in the other to those who see so:
  // by 0.04 and more in OKLab. Counts no further than `enough`.
  virtual int changedPx(const Project& project, const Kind& kind, StateIndex a, StateIndex b,
                        Vision vision, int enough) = 0;
  // The area that changes by 3 : 1 and more when it gets focus, over what WCAG 2.2 §2.4.13 asks
  // for: the outline, 2 px wide; 1 is just enough.
  virtual double focusShare(const Project& project, const Kind& kind, StateIndex focused,
                            StateIndex rest) = 0;
};

struct Probes {
  WhyNoFile sound = {}, picture = {};  // without one the files are not looked at
  FactsOfFile facts = {};              // the same
  // The pictures, sounds and fonts in a folder beside the project, with the folder.
  std::function<std::vector<std::string>(const std::string& folder)> files = {};
  Eyes* eyes = nullptr;              // without it nothing that must be measured is told
  std::vector<Eyes*> moreEyes = {};  // of the same project: each looks on a thread of its own
  const std::atomic<bool>* stop = nullptr;  // set it to give up; what was found so far comes back
};

}  // namespace bristle
