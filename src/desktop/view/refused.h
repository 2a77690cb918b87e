// What a person is told of text that cannot be read as a value.
#pragma once
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/document/project.h"

namespace bristle {

// `expected` as parseValue says it. A name that nothing has is told instead.
inline void tellRefused(Work& work, const QString& text, const std::string& expected) {
  const Naming names = naming(work.project());
  for (const QString& word : text.split(QLatin1Char(' '), Qt::SkipEmptyParts))
    if (word[0].isLetter() && word.contains(QLatin1Char('.')) && !names.find(fromQt(word)))
      return work.tell(QObject::tr("Nothing is called “%1”").arg(word), true);
  work.tell(QObject::tr("“%1” is not taken; expected %2.").arg(text, toQt(expected)), true);
}

}  // namespace bristle
