// What a check sees: fonts and looks as they are painted.
#pragma once
#include <memory>

#include "core/findings/probes.h"
#include "paint/fonts.h"
#include "paint/look_painter.h"
#include "paint/screen_painter.h"

namespace bristle {

class RenderedLooks;

// Of one project after another; each belongs to one thread.
class PaintedEyes : public Eyes {
 public:
  // Where pictures of the project lie; none are painted without it.
  explicit PaintedEyes(const QString& folder = {});
  ~PaintedEyes() override;
  const TextMeasure& measure() const override { return measure_; }
  bool cutsCaption(const Project& project, const Screen& screen, const Layout& layout,
                   size_t item) override;
  double captionSize(const Project& project, const Screen& screen, const Layout& layout,
                     size_t item) override;
  Missing missingLetters(const Project& project, const ButtonData& button,
                         const LanguageId& language) override;
  std::vector<Caption> captions(const Project& project, const Screen& screen,
                                std::span<const Layout> layouts,
                                const std::atomic<bool>* stop) override;
  double opaqueShare(const Item& over, const Placed& placed, const Box& part,
                     bool rightToLeft) override;
  std::vector<Fading> fadings(const Project& project, const Kind& kind, Ms least,
                              const std::atomic<bool>* stop) override;
  std::vector<Flashing> flashings(const Project& project, const Kind& kind, double area,
                                  const std::atomic<bool>* stop) override;
  int changedPx(const Project& project, const Kind& kind, StateIndex a, StateIndex b, Vision vision,
                int enough) override;
  double focusShare(const Project& project, const Kind& kind, StateIndex focused,
                    StateIndex rest) override;

 private:
  // The pictures of a kind's states, kept while the same kind is asked for.
  struct Rendered;
  const RenderedLooks* rendered(const Project& project, const Kind& kind);

  LookPainter looks_;
  LookTables tables_;
  FontMeasure measure_;
  std::unique_ptr<Rendered> rendered_;
};

// As many of them as there are processors, four at the most, all of one folder.
class ManyEyes {
 public:
  explicit ManyEyes(const QString& folder = {});
  void lookFor(Probes& probes) const;

 private:
  std::vector<std::unique_ptr<PaintedEyes>> all_;
};

}  // namespace bristle
