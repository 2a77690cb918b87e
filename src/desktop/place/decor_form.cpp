#include "desktop/place/decor_form.h"

#include <QVBoxLayout>

#include "core/edit/screen_edits.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr double kPercent = 100;

}  // namespace

DecorForm::DecorForm(Work& work) : work_(work), panel_(new Form), picture_(new Form) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(0);
  for (Form* form : {panel_, picture_}) {
    form->layout()->setContentsMargins(16, 4, 16, 4);
    column->addWidget(form);
  }
  buildPanel();
  buildPicture();
}

bool DecorForm::changePanel(const char* name, const std::function<void(PanelData&)>& apply) {
  return work_.screen() &&
         work_.perform(
             changeItems(work_.screen()->id, work_.picked().items, name, {}, [apply](Item& i) {
               if (auto* p = std::get_if<PanelData>(&i.what)) apply(*p);
             }));
}

bool DecorForm::changePicture(const char* name, const std::function<void(PictureData&)>& apply) {
  return work_.screen() &&
         work_.perform(
             changeItems(work_.screen()->id, work_.picked().items, name, {}, [apply](Item& i) {
               if (auto* p = std::get_if<PictureData>(&i.what)) apply(*p);
             }));
}

void DecorForm::buildPanel() {
  fill_ = panel_->text(tr("Fill"), [this](const QString& text) {
    std::string expected;
    const auto value = parseValue(fromQt(text), Fill{}, &expected);
    if (!value) {
      work_.tell(tr("expected %1").arg(toQt(expected)), true);
      return false;
    }
    return changePanel("change fill",
                       [fill = std::get<Fill>(*value)](PanelData& p) { p.fill = fill; });
  });
  radius_ = panel_->number(
      tr("Corners"), 0, 2000,
      [this](double v) {
        return changePanel("change corners", [v](PanelData& p) { p.radius = v; });
      },
      QStringLiteral("px"));
  blur_ = panel_->number(
      tr("Blur below"), 0, kMostBlur,
      [this](double v) { return changePanel("change blur", [v](PanelData& p) { p.blur = v; }); },
      QStringLiteral("px"));
  blur_->setToolTip(tr("What lies below shows through blurred, where the fill lets it"));
}

void DecorForm::buildPicture() {
  file_ = picture_->text(tr("Picture"), [this](const QString& text) {
    return changePicture("change picture", [text](PictureData& p) { p.file = fromQt(text); });
  });
  file_->setToolTip(tr("A file in the project's folder; after a # a group of an SVG"));
  fit_ = picture_->choice(
      tr("Fit"), {tr("cover, cut what is over"), tr("contain, all in sight"), tr("stretched")},
      [this](int index) {
        changePicture("change fit",
                      [index](PictureData& p) { p.fit = static_cast<PictureFit>(index); });
      });
  const auto focus = [this](const QString& name, double PictureData::*which) {
    QLineEdit* field = picture_->number(
        name, 0, kPercent,
        [this, which](double v) {
          return changePicture("move focal point",
                               [=](PictureData& p) { p.*which = v / kPercent; });
        },
        QStringLiteral("%"));
    field->setToolTip(tr("The point of the picture that stays in sight on every display"));
    return field;
  };
  focusX_ = focus(tr("Focal point, x"), &PictureData::focusX);
  focusY_ = focus(tr("Focal point, y"), &PictureData::focusY);
  turns_ = picture_->check(tr("Turned over where one reads from the right"), [this](bool on) {
    changePicture("turn picture over", [on](PictureData& p) { p.turns = on; });
  });
  turns_->setToolTip(
      tr("What is placed is mirrored there; the picture and its focal point are, too, if so"));
}

void DecorForm::show(const Item& item) {
  const auto* panel = std::get_if<PanelData>(&item.what);
  const auto* picture = std::get_if<PictureData>(&item.what);
  panel_->setVisible(panel);
  picture_->setVisible(picture);
  if (panel) {
    refill(fill_, toQt(toText(Value(panel->fill))));
    refill(radius_, QString::number(panel->radius));
    refill(blur_, QString::number(panel->blur));
  }
  if (!picture) return;
  refill(file_, toQt(picture->file));
  refill(fit_, static_cast<int>(picture->fit));
  refill(focusX_, QString::number(picture->focusX * kPercent));
  refill(focusY_, QString::number(picture->focusY * kPercent));
  refill(turns_, picture->turns);
  // What is stretched has nothing to choose.
  for (QLineEdit* field : {focusX_, focusY_})
    picture_->setRowVisible(field, picture->fit != PictureFit::Whole);
}

}  // namespace bristle
