#include "paint/painted_eyes.h"

#include <QThread>
#include <algorithm>
#include <array>

#include "core/derive/ground.h"
#include "paint/caption_reader.h"
#include "paint/convert.h"
#include "paint/flash_reader.h"
#include "paint/law_looks.h"
#include "paint/screen_parts.h"
#include "runtime/document/project.h"
#include "runtime/machine/mix.h"

namespace bristle {
namespace {

constexpr int kOpaque = 230;         // of 255: hardly anything is seen through it
constexpr double kSeenApart = 0.04;  // of OKLab: what is noticed without looking for it

}  // namespace

struct PaintedEyes::Rendered {
  Rendered(LookPainter& painter, const Kind& of, std::shared_ptr<const LookTable> with, Colour on)
      : table(std::move(with)), kind(of), ground(on), looks(painter, kind, *table, ground) {}
  std::shared_ptr<const LookTable> table;
  Kind kind;  // the project that it was of may be gone
  Colour ground;
  RenderedLooks looks;
};

PaintedEyes::~PaintedEyes() = default;

PaintedEyes::PaintedEyes(const QString& folder) {
  if (!folder.isEmpty()) looks_.pictures().setFolder(folder);
}

bool PaintedEyes::cutsCaption(const Project& project, const Screen& screen, const Layout& layout,
                              size_t item) {
  const ButtonData& button = *screen.items[item]->button();
  const Kind* kind = find(project, button.kind);
  const auto table = tables_.get(project, button.kind, &button.own);
  return kind && table &&
         looks_.cutsCaption(*kind, *table, toQt(layout.items[item].own()),
                            wordsIn(project, button.caption, layout.language));
}

double PaintedEyes::captionSize(const Project& project, const Screen& screen, const Layout& layout,
                                size_t item) {
  const ButtonData& button = *screen.items[item]->button();
  const Kind* kind = find(project, button.kind);
  const auto table = tables_.get(project, button.kind, &button.own);
  const std::string& words = wordsIn(project, button.caption, layout.language);
  if (!kind || !table || words.empty()) return 0;
  return looks_.captionSize(*kind, *table, toQt(layout.items[item].own()), words);
}

Eyes::Missing PaintedEyes::missingLetters(const Project& project, const ButtonData& button,
                                          const LanguageId& language) {
  const Kind* kind = find(project, button.kind);
  const auto table = tables_.get(project, button.kind, &button.own);
  if (!kind || !table) return {};
  const auto label = std::find_if(kind->parts.begin(), kind->parts.end(),
                                  [](const Part& part) { return part.type == PartType::Label; });
  if (label == kind->parts.end()) return {};
  const int channel = table->channel({label->id, Prop::Family});
  const auto* family =
      channel < 0 ? nullptr : std::get_if<std::string>(&table->state(0)[size_t(channel)]);
  if (!family) return {};
  return {*family, lettersMissingIn(*family, wordsIn(project, button.caption, language))};
}

std::vector<Eyes::Caption> PaintedEyes::captions(const Project& project, const Screen& screen,
                                                 std::span<const Layout> layouts,
                                                 const std::atomic<bool>* stop) {
  return readCaptions(looks_, tables_, project, screen, layouts, stop);
}

double PaintedEyes::opaqueShare(const Item& over, const Placed& placed, const Box& part,
                                bool rightToLeft) {
  constexpr double kMost = 4096;  // px of a side
  QImage image(QSize(qCeil(std::clamp(part.w, 1.0, kMost)), qCeil(std::clamp(part.h, 1.0, kMost))),
               QImage::Format_ARGB32_Premultiplied);
  image.fill(Qt::transparent);
  QPainter painter(&image);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.translate(-part.x, -part.y);
  {
    const Reading reading(looks_, rightToLeft);
    const Scaled scaled(painter, placed);
    paintDecor(painter, looks_, over, toQt(placed.own()));
  }
  painter.end();
  qint64 opaque = 0;
  for (int y = 0; y < image.height(); ++y) {
    const auto* line = reinterpret_cast<const QRgb*>(image.constScanLine(y));
    opaque +=
        std::count_if(line, line + image.width(), [](QRgb px) { return qAlpha(px) >= kOpaque; });
  }
  return double(opaque) / (double(image.width()) * image.height());
}

std::vector<Eyes::Fading> PaintedEyes::fadings(const Project& project, const Kind& kind, Ms least,
                                               const std::atomic<bool>* stop) {
  return readFadings(looks_, tables_, project, kind, least, stop);
}

std::vector<Eyes::Flashing> PaintedEyes::flashings(const Project& project, const Kind& kind,
                                                   double area, const std::atomic<bool>* stop) {
  const auto table = tables_.get(project, kind.id);
  if (!table) return {};
  return readFlashings(looks_, table, project, kind, area, stop);
}

const RenderedLooks* PaintedEyes::rendered(const Project& project, const Kind& kind) {
  const auto table = tables_.get(project, kind.id);
  const Colour ground = groundOf(project, kind.id);
  if (!table) return nullptr;
  if (!rendered_ || rendered_->table != table || rendered_->ground != ground)
    rendered_ = std::make_unique<Rendered>(looks_, kind, table, ground);
  return &rendered_->looks;
}

int PaintedEyes::changedPx(const Project& project, const Kind& kind, StateIndex a, StateIndex b,
                           Vision vision, int enough) {
  const RenderedLooks* looks = rendered(project, kind);
  if (!looks) return 0;
  // Most px change as another one has: what was found of two colours is kept for a while.
  struct Known {
    QRgb l = 0, r = 0;
    bool apart = false;
  };
  std::array<Known, 256> known;
  return looks->changedPx(a, b, enough, [&](QRgb l, QRgb r) {
    Known& k = known[(l * 31 + r * 7) % known.size()];
    if (k.l != l || k.r != r)
      k = {l, r,
           lookApart(seenWith(vision, fromQt(QColor(l))), seenWith(vision, fromQt(QColor(r)))) >=
               kSeenApart};
    return k.apart;
  });
}

double PaintedEyes::focusShare(const Project& project, const Kind& kind, StateIndex focused,
                               StateIndex rest) {
  const RenderedLooks* looks = rendered(project, kind);
  return looks ? looks->focusShare(focused, rest) : 0;
}

ManyEyes::ManyEyes(const QString& folder) {
  const int count = std::clamp(QThread::idealThreadCount(), 1, 4);
  for (int i = 0; i < count; ++i) all_.push_back(std::make_unique<PaintedEyes>(folder));
}

void ManyEyes::lookFor(Probes& probes) const {
  probes.eyes = all_.front().get();
  for (size_t i = 1; i < all_.size(); ++i) probes.moreEyes.push_back(all_[i].get());
}

}  // namespace bristle
