using AbleMend.Core.Gear;
using AbleMend.Core.Looking;
using AbleMend.Core.Materials;
using AbleMend.Core.Safety;

namespace AbleMend.Core.Catalogue;

/// <summary>A catalogue as its files say it.</summary>
/// <param name="Vocabulary">The closed vocabularies.</param>
/// <param name="Substances">What layers are made of.</param>
/// <param name="Constructions">How items are built.</param>
/// <param name="Materials">What mends them.</param>
/// <param name="Rules">Rules of matching.</param>
/// <param name="Triage">Rules of triage, in the order in which they are asked.</param>
/// <param name="Cautions">Cautions.</param>
/// <param name="Schools">Questions on which practitioners disagree.</param>
/// <param name="LookTests">Ways of finding what leaks or hides.</param>
/// <param name="Aftercare">What to watch once an item is back in use.</param>
/// <param name="Mishaps">What goes wrong at the bench, and what then.</param>
internal sealed record CatalogueData(
    Vocabulary Vocabulary,
    IReadOnlyList<Substance> Substances,
    IReadOnlyList<Construction> Constructions,
    IReadOnlyList<Material> Materials,
    IReadOnlyList<MatchRule> Rules,
    IReadOnlyList<TriageRule> Triage,
    IReadOnlyList<Caution> Cautions,
    IReadOnlyList<School> Schools,
    IReadOnlyList<LookTest> LookTests,
    IReadOnlyList<AftercareLine> Aftercare,
    IReadOnlyList<Mishap> Mishaps);
