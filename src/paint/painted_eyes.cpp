#include "paint/painted_eyes.h"

#include <map>

#include "paint/contrast.h"
#include "paint/convert.h"
#include "paint/law_looks.h"
#include "paint/screen_parts.h"
#include "runtime/document/project.h"

namespace bristle {
namespace {

constexpr double kSeenApart = 0.04;  // of OKLab: what is noticed without looking for it
constexpr double kLarge = 24, kLargeBold = 18.66;  // px (WCAG 2.2, “large scale”)
constexpr double kMostScreenSide = 8192;           // px of a screen that is painted

// What stands behind buttons: the backdrop, panels and pictures.
QImage decorOf(LookPainter& looks, const Screen& screen, const Layout& layout) {
  QImage out(
      QSizeF(std::min(layout.width, kMostScreenSide), std::min(layout.height, kMostScreenSide))
          .toSize(),
      QImage::Format_ARGB32_Premultiplied);
  out.fill(
      Qt::black);  // an overlay without a backdrop lies on whatever it is put on: its panel counts
  QPainter p(&out);
  p.setRenderHint(QPainter::Antialiasing);
  paintBackdrop(p, screen, layout);
  const Reading reading(looks, layout.rightToLeft);
  Clipping clip(p);
  for (size_t i = 0; i < screen.items.size(); ++i) {
    const Item& item = *screen.items[i];
    if (item.button() || item.container() || !clip.goTo(layout, layout.items[i])) continue;
    const Scaled scaled(p, layout.items[i]);
    paintDecor(p, looks, item, toQt(layout.items[i].own()));
  }
  return out;
}

bool isLarge(const LookTable& table, const Look& look, const PartId& label, double scale) {
  const int size = table.channel({label, Prop::Size}),
            weight = table.channel({label, Prop::Weight});
  const auto number = [&](int channel) {
    const auto* value = channel < 0 ? nullptr : std::get_if<double>(&look[size_t(channel)]);
    return value ? *value : 0.0;
  };
  const double px = number(size) * scale;
  return px >= kLarge || (px >= kLargeBold && number(weight) >= 700);
}

const Part* labelOf(const Kind& kind) {
  for (const Part& part : kind.parts)
    if (part.type == PartType::Label) return &part;
  return nullptr;
}

}  // namespace

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

namespace {

// Whether a caption is read on the button's own ground, whatever lies behind that.
bool hidesWhatIsBehind(LookPainter& looks, const Kind& kind, const Look& look,
                       const std::string& words) {
  const auto on = [&](QColor ground) {
    QImage image(QSizeF(kind.width, kind.height).toSize(), QImage::Format_ARGB32_Premultiplied);
    image.fill(ground);
    const auto read = captionContrast(looks, kind, look, words, image);
    return read ? read->ratio : 0.0;
  };
  return std::abs(on(Qt::black) - on(Qt::white)) < 0.01;
}

}  // namespace

std::vector<Eyes::Caption> PaintedEyes::captions(const Project& project, const Screen& screen,
                                                 const Layout& layout,
                                                 const std::atomic<bool>* stop) {
  std::vector<Caption> out;
  const QImage decor = decorOf(looks_, screen, layout);
  // Of kinds without anything of the button's own: whether one stands for all.
  std::map<std::pair<KindId, StateIndex>, bool> hides;
  for (size_t i = 0; i < screen.items.size() && !(stop && stop->load()); ++i) {
    const ButtonData* button = screen.items[i]->button();
    const Placed& placed = layout.items[i];
    const Kind* kind = button && placed.isSeen() ? find(project, button->kind) : nullptr;
    const Machine* machine = kind ? find(project, kind->machine) : nullptr;
    const Part* label = kind ? labelOf(*kind) : nullptr;
    if (!machine || !label) continue;
    const std::string& words = wordsIn(project, button->caption, layout.language);
    const auto table = tables_.get(project, button->kind, &button->own);
    if (!table || words.empty()) continue;
    QImage behind;  // as large as the kind is painted, whatever the button is scaled by
    for (size_t s = 0; s < machine->states.size(); ++s) {
      if (machine->states[s].role == Role::Disabled || (kind->still && s > 0)) continue;
      const auto state = static_cast<StateIndex>(s);
      const Look& look = table->state(state);
      if (button->own.empty()) {
        const auto [at, isNew] = hides.try_emplace({kind->id, state}, false);
        if (isNew)
          at->second = hidesWhatIsBehind(looks_, *kind, look, words);
        else if (at->second)
          continue;
      }
      if (behind.isNull())
        behind = decor.copy(toQt(placed.box).toAlignedRect())
                     .scaled(QSizeF(kind->width, kind->height).toSize(), Qt::IgnoreAspectRatio,
                             Qt::SmoothTransformation);
      const auto read = captionContrast(looks_, *kind, look, words, behind);
      if (read)
        out.push_back({i, machine->states[s].id, label->id, read->ratio, read->text, read->behind,
                       isLarge(*table, look, label->id, placed.scale)});
    }
  }
  return out;
}

int PaintedEyes::changedPx(const Project& project, const Kind& kind, StateIndex a, StateIndex b,
                           Vision vision, int enough) {
  const auto table = tables_.get(project, kind.id);
  if (!table) return 0;
  const RenderedLooks rendered(looks_, kind, *table, groundOf(project, kind));
  return rendered.changedPx(a, b, enough, [vision](QRgb l, QRgb r) {
    return lookApart(seenWith(vision, fromQt(QColor(l))), seenWith(vision, fromQt(QColor(r)))) >=
           kSeenApart;
  });
}

double PaintedEyes::focusShare(const Project& project, const Kind& kind, StateIndex focused,
                               StateIndex rest) {
  const auto table = tables_.get(project, kind.id);
  if (!table) return 0;
  return RenderedLooks(looks_, kind, *table, groundOf(project, kind)).focusShare(focused, rest);
}

}  // namespace bristle
