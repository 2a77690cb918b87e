#include "desktop/deliver/delivery_form.h"

#include <QDir>
#include <QFileDialog>
#include <algorithm>

#include "core/edit/delivery_edits.h"
#include "deliver/outputs.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

bool isDrawn(OutputSort sort) {
  return sort == OutputSort::Pictures || sort == OutputSort::Sheets;
}

const Output* outputOf(const Delivery& delivery, OutputSort sort) {
  for (const Output& each : delivery.outputs)
    if (each.sort == sort) return &each;
  return nullptr;
}

}  // namespace

DeliveryForm::DeliveryForm(Work& work) : work_(work) {
  heading(tr("DELIVERY"));
  name_ = text(tr("Name"), [this](const QString& words) {
    return !words.trimmed().isEmpty() &&
           change("rename a delivery", "", [&](Delivery& d) { d.name = fromQt(words.trimmed()); });
  });
  folder_ = text(tr("Folder"), [this](const QString& words) {
    return change("move a delivery", "", [&](Delivery& d) { d.folder = fromQt(words.trimmed()); });
  });
  folder_->setToolTip(tr("From the project’s own folder, or a whole path"));
  button(tr("Choose the folder…"), [this] { askFolder(); });
  give_ = button(tr("Hand over"), [this] { Q_EMIT wantsHandOver(false, false); });
  give_->setProperty("main", true);
  give_->setToolTip(tr("Ctrl+Return; with Shift all deliveries"));
  over_ = button(tr("Hand over, and write over what is in the way"),
                 [this] { Q_EMIT wantsHandOver(false, true); });
  heading(tr("WHAT IS IN IT"));
  for (size_t i = 0; i < outputNames().size(); ++i) {
    const auto sort = static_cast<OutputSort>(i);
    auto* box =
        check(QString::fromUtf8(wordsOf(sort).name), [this, sort](bool on) { turn(sort, on); });
    box->setToolTip(QString::fromUtf8(wordsOf(sort).about));
    outputs_.push_back(box);
  }
  heading(tr("PICTURES AND SHEETS"));
  scale_ = number(
      tr("Scale"), 0.25, 4,
      [this](double v) {
        return change("change the scale", "scale", [v](Delivery& d) {
          for (Output& each : d.outputs)
            if (isDrawn(each.sort)) each.scale = v;
        });
      },
      tr("×"));
  scale_->setToolTip(tr("Px of a picture to a px of the kind: 2 for displays twice as dense"));
  trim_ = drawnCheck(tr("Without what is empty around"), "trim pictures", &Output::trim);
  placed_ =
      drawnCheck(tr("What stands on screens, too"), "deliver what is placed", &Output::placed);
  placed_->setToolTip(tr("As it looks there on the first display, with its own words and values"));
  captions_ =
      drawnCheck(tr("Kinds with their sample captions"), "deliver captions", &Output::captions);
  frames_ = number(
      tr("Key frames of changes"), 0, kMostFrames,
      [this](double v) {
        return change("change the key frames", "frames", [v](Delivery& d) {
          for (Output& each : d.outputs)
            if (isDrawn(each.sort)) each.frames = int(v);
        });
      },
      tr("a second"));
  frames_->setToolTip(tr("A strip for each change from state to state; 0: none"));
  heading(tr("SPECIFICATION"));
  since_ = text(tr("Mark changes since"), [this](const QString& words) {
    return change("mark changes", "since", [&](Delivery& d) {
      for (Output& each : d.outputs)
        if (each.sort == OutputSort::Specification) each.since = fromQt(words.trimmed());
    });
  });
  since_->setPlaceholderText(tr("an earlier project file"));
  since_->setToolTip(
      tr("From the project’s own folder, or a whole path; empty: nothing is marked"));
  space();
  open_ = button(tr("Open the folder"), [this] { Q_EMIT wantsFolder(); });
  remove_ = button(tr("Remove this delivery"), [this] { work_.perform(removeDelivery(id_)); });
  remove_->setToolTip(tr("What was handed over stays where it is"));
  new WhileSeen(work, this, [this] { refresh(); });
}

QCheckBox* DeliveryForm::drawnCheck(const QString& label, const char* what, bool Output::*which) {
  return check(label, [this, what, which](bool on) {
    change(what, "", [&](Delivery& d) {
      for (Output& each : d.outputs)
        if (isDrawn(each.sort)) each.*which = on;
    });
  });
}

void DeliveryForm::show(const DeliveryId& id) {
  id_ = id;
  refresh();
}

void DeliveryForm::tellState(bool ready, bool inTheWay, bool running) {
  give_->setEnabled(ready && !inTheWay && !running);
  over_->setVisible(inTheWay);
  over_->setEnabled(!running);
}

bool DeliveryForm::change(const char* what, const char* key, std::function<void(Delivery&)> how) {
  return work_.perform(changeDelivery(id_, what, key, std::move(how)));
}

void DeliveryForm::turn(OutputSort sort, bool on) {
  change(on ? "deliver more" : "deliver less", "", [sort, on](Delivery& d) {
    if (!on) {
      std::erase_if(d.outputs, [&](const Output& each) { return each.sort == sort; });
      return;
    }
    Output added{sort};
    // As what is drawn beside it.
    for (const Output& each : d.outputs)
      if (isDrawn(each.sort) && isDrawn(sort)) {
        added = each;
        added.sort = sort;
        added.extra = {};
      }
    d.outputs.push_back(std::move(added));
    std::stable_sort(d.outputs.begin(), d.outputs.end(),
                     [](const Output& a, const Output& b) { return a.sort < b.sort; });
  });
}

void DeliveryForm::askFolder() {
  const Delivery* delivery = bristle::find(work_.project(), id_);
  if (!delivery) return;
  const QString own = work_.folder();
  const QString now = toQt(folderFor(*delivery, fromQt(own)));
  const QString chosen = QFileDialog::getExistingDirectory(this, tr("A folder for the delivery"),
                                                           QDir(now).exists() ? now : own);
  if (chosen.isEmpty()) return;
  // Beside the project it goes along with it.
  const QString within = own.isEmpty() ? chosen : QDir(own).relativeFilePath(chosen);
  const QString to = within.startsWith(QStringLiteral("..")) ? chosen : within;
  change("move a delivery", "", [&](Delivery& d) { d.folder = fromQt(to); });
}

void DeliveryForm::refresh() {
  const Delivery* delivery = bristle::find(work_.project(), id_);
  setEnabled(delivery);
  if (!delivery) return;
  refill(name_, toQt(delivery->name));
  refill(folder_, toQt(delivery->folder));
  const Output* drawn = nullptr;
  for (size_t i = 0; i < outputs_.size(); ++i) {
    const Output* output = outputOf(*delivery, static_cast<OutputSort>(i));
    refill(outputs_[i], output != nullptr);
    if (output && isDrawn(output->sort)) drawn = output;
  }
  for (QWidget* each : std::initializer_list<QWidget*>{scale_, trim_, placed_, captions_, frames_})
    each->setEnabled(drawn);
  const Output shown = drawn ? *drawn : Output{};
  refill(scale_, QString::number(shown.scale));
  refill(trim_, shown.trim);
  refill(placed_, shown.placed);
  refill(captions_, shown.captions);
  refill(frames_, QString::number(shown.frames));
  const Output* spec = outputOf(*delivery, OutputSort::Specification);
  since_->setEnabled(spec);
  refill(since_, spec ? toQt(spec->since) : QString());
}

}  // namespace bristle
