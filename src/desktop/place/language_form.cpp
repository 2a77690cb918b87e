#include "desktop/place/language_form.h"

#include <QLocale>

#include "core/edit/language_edits.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

QStringList namesOf(const std::vector<Language>& languages) {
  QStringList out;
  for (const Language& each : languages)
    out << (each.name.empty() ? toQt(each.tag) : toQt(each.name));
  return out;
}

}  // namespace

LanguageForm::LanguageForm(Work& work) : work_(work) {
  heading(tr("LANGUAGES"));
  shown_ = choice(tr("Shown in"), {}, [this](int i) {
    const auto& all = work_.project().languages;
    if (i >= 0 && size_t(i) < all.size()) work_.pickLanguage(all[size_t(i)].id);
  });
  name_ = text(tr("Name"), [this](const QString& text) {
    return change("rename language", [text](Language& l) { l.name = fromQt(text.trimmed()); });
  });
  name_->setAccessibleName(tr("Language name"));
  rightToLeft_ = check(tr("Reads from right to left"), [this](bool on) {
    change("change direction", [on](Language& l) { l.rightToLeft = on; });
  });
  fallback_ = choice(tr("Falls back to"), {}, [this](int i) {
    const auto& all = work_.project().languages;
    if (i < 0 || size_t(i) >= all.size()) return;
    change("change fallback", [id = all[size_t(i)].id](Language& l) { l.fallback = id; });
  });
  remove_ = button(tr("Remove this language"), [this] { removeShown(); });
  button(tr("Words in all languages…"), [this] { Q_EMIT wantsWords(); });
  fresh_ = text(tr("Add"), [this](const QString& typed) {
    add(typed.trimmed());
    return true;
  });
  fresh_->setAccessibleName(tr("Add a language"));
  fresh_->setPlaceholderText(tr("de, pt-BR, ar…"));
  fresh_->setToolTip(tr("The language’s tag, as in HTML: de, pt-BR, ar"));
  new WhileSeen(work, this, [this] { refresh(); });
  refresh();
}

void LanguageForm::begin() {
  fresh_->setFocus();
}

void LanguageForm::removeShown() {
  work_.perform(removeLanguage(work_.language().id));
}

void LanguageForm::add(const QString& typed) {
  if (typed.isEmpty()) return;
  const QString known = QLocale(typed).nativeLanguageName();
  const bool isKnown = QLocale(typed).language() != QLocale::C;
  if (!work_.perform(addLanguage(fromQt(typed), isKnown ? fromQt(known) : std::string()))) return;
  fresh_->clear();
  work_.pickLanguage(work_.project().languages.back().id);
}

bool LanguageForm::change(const char* name, std::function<void(Language&)> apply) {
  return work_.perform(changeLanguage(work_.language().id, name, std::move(apply)));
}

void LanguageForm::refresh() {
  const auto& all = work_.project().languages;
  const Language& now = work_.language();
  int shown = 0, fallback = 0;
  for (size_t i = 0; i < all.size(); ++i) {
    if (all[i].id == now.id) shown = static_cast<int>(i);
    if (all[i].id == now.fallback) fallback = static_cast<int>(i);
  }
  refill(shown_, namesOf(all), shown);
  refill(fallback_, namesOf(all), fallback);
  refill(name_, toQt(now.name));
  refill(rightToLeft_, now.rightToLeft);
  setRowVisible(fallback_, shown > 0);
  remove_->setVisible(shown > 0);
}

}  // namespace bristle
