using System.Text.RegularExpressions;
using AbleMend.Core.Gear;

namespace AbleMend.Core.Catalogue;

/// <summary>Checks that the files of a catalogue hang together: every word is known, every number is inside its limits, nothing is listed twice.</summary>
internal static partial class CatalogueChecks
{
    /// <summary>Everything wrong, by file and entry.</summary>
    public static IReadOnlyList<CatalogueFault> Check(CatalogueData data, KnownMethods methods) =>
    [
        .. CheckVocabulary(data.Vocabulary, methods),
        .. CheckSubstances(data),
        .. CheckConstructions(data, methods),
        .. MaterialChecks.Check(data.Materials, data),
        .. CheckRules(data, methods),
        .. CheckTriage(data),
        .. CheckCautions(data),
        .. CheckSchools(data, methods),
        .. CheckLookTests(data),
        .. CheckAftercare(data, methods),
        .. CheckMishaps(data, methods),
    ];

    /// <summary>The words of a vocabulary.</summary>
    internal static IReadOnlyCollection<string> Words(IReadOnlyList<Term> terms) => [.. terms.Select(term => term.Id)];

    private static IReadOnlyList<CatalogueFault> CheckVocabulary(Vocabulary vocabulary, KnownMethods methods)
    {
        var checks = new EntryChecks("vocabulary.json");
        foreach (var terms in new[] { vocabulary.Chemistries, vocabulary.Families, vocabulary.Traits, vocabulary.Tools })
        {
            checks.Identifiers(terms, term => term.Id);
        }

        foreach (var missing in methods.Tools.Except(Words(vocabulary.Tools)))
        {
            checks.Demand(false, "tools", $"A method needs the tool '{missing}', which is not declared.", "Declare it.");
        }

        return checks.Faults;
    }

    private static IReadOnlyList<CatalogueFault> CheckSubstances(CatalogueData data)
    {
        var checks = new EntryChecks("substances.json");
        checks.Identifiers(data.Substances, substance => substance.Id);
        var used = data.Constructions.SelectMany(construction => construction.Layers.Concat(construction.Locations.SelectMany(location => location.Layers ?? []))).Select(layer => layer.Substance)
            .Concat(data.Materials.SelectMany(material => material.BondsTo)).ToHashSet();
        foreach (var substance in data.Substances)
        {
            checks.Limits(substance, substance.Id);
            checks.Known(substance.Families, substance.Id, "family", Words(data.Vocabulary.Families));
        }

        return checks.Faults;
    }

    private static IReadOnlyList<CatalogueFault> CheckConstructions(CatalogueData data, KnownMethods methods)
    {
        var checks = new EntryChecks("constructions.json");
        checks.Identifiers(data.Constructions, construction => construction.Id);
        var substances = data.Substances.Select(substance => substance.Id).ToList();
        var answered = methods.Kinds.Concat(data.Triage.Where(rule => rule.Decision is not null).SelectMany(rule => rule.When).SelectMany(signs => signs.Kinds ?? [])).ToHashSet();
        foreach (var construction in data.Constructions)
        {
            var id = construction.Id;
            checks.Limits(construction, id);
            checks.Known(construction.CoreLayer, id, "layer of it", [.. construction.Layers.Select(layer => layer.Id)]);
            foreach (var layer in construction.Layers.Concat(construction.Locations.SelectMany(location => location.Layers ?? [])))
            {
                checks.Known(layer.Substance, $"{id}, layer {layer.Id}", "substance", substances);
            }

            checks.Demand(construction.Layers.DistinctBy(layer => layer.Id).Count() == construction.Layers.Count, id, "Two layers have the same identifier.", "Name each layer by its place.");
            checks.Demand(construction.Locations.DistinctBy(location => location.Id).Count() == construction.Locations.Count, id, "Two places have the same identifier.", "Name each place once.");
            foreach (var location in construction.Locations)
            {
                checks.Known(location.Traits, $"{id}, place {location.Id}", "trait", Words(data.Vocabulary.Traits));
                checks.Known(location.Side, $"{id}, place {location.Id}", "side", [.. construction.Locations.Select(place => place.Id)]);
            }

            CheckDamages(checks, construction, answered);
        }

        return checks.Faults;
    }

    /// <param name="checks">Where faults go.</param>
    /// <param name="construction">The construction.</param>
    /// <param name="answered">Kinds of damage that a method is for, or that triage decides.</param>
    private static void CheckDamages(EntryChecks checks, Construction construction, IReadOnlySet<DamageKind> answered)
    {
        foreach (var damage in construction.Damages)
        {
            var at = $"{construction.Id}, {Kebab<DamageKind>.Id(damage.Kind)}";
            checks.Demand(construction.Refuse is not null || answered.Contains(damage.Kind), at, "No method is for this kind of damage, and no rule of triage decides it.", "Name it in the Kinds of a method, or write a rule in triage.json.");
            checks.Known(damage.Location, at, "place of it", [.. construction.Locations.Select(location => location.Id)]);
            if (construction.Locations.FirstOrDefault(each => each.Id == damage.Location) is { } location)
            {
                var thickness = construction.ThicknessMmAt(location);
                checks.Demand(damage.DepthMm <= thickness + 1e-9, at, $"{damage.DepthMm} mm is deeper than the item, which is {thickness} mm thick there.", "Give a depth inside it.");
            }
        }

        foreach (var twice in construction.Damages.GroupBy(damage => (damage.Kind, damage.Location)).Where(group => group.Count() > 1))
        {
            checks.Demand(false, $"{construction.Id}, {Kebab<DamageKind>.Id(twice.Key.Kind)}", "This damage is there twice at the same place.", "Keep one of them.");
        }
    }

    private static IReadOnlyList<CatalogueFault> CheckRules(CatalogueData data, KnownMethods methods)
    {
        var checks = new EntryChecks("rules.json");
        checks.Identifiers(data.Rules, rule => rule.Id);
        var (chemistries, families, traits) = (Words(data.Vocabulary.Chemistries), Words(data.Vocabulary.Families), Words(data.Vocabulary.Traits));
        foreach (var rule in data.Rules)
        {
            checks.Demand(rule.Reason.Length >= 10, rule.Id, "It does not say why.", "Give its reason in words of the trade.");
            checks.Demand(rule.Source.Length >= 5, rule.Id, "It does not say where it comes from.", "Give its source.");
            var (kinds, family) = Speaks(rule);
            checks.Known(kinds, rule.Id, "chemistry", chemistries);
            checks.Demand(kinds is not { Count: 0 }, rule.Id, "It names no chemistry.", "Name those that it speaks of.");
            checks.Known(family, rule.Id, "family", families);
            checks.Known((rule as NotAtRule)?.Trait, rule.Id, "trait", traits);
            checks.Known((rule as LiesFlatRule)?.Methods, rule.Id, "method", methods.Methods);
            checks.Demand(family is null || data.Substances.Any(substance => substance.Families.Contains(family)), rule.Id, $"No substance is of family '{family}', so that it protects nothing.", "Name a family that some substance is of.");
        }

        foreach (var twice in data.Rules.GroupBy(Said).Where(group => group.Count() > 1))
        {
            checks.Demand(false, twice.Last().Id, $"It says the same as '{twice.First().Id}'.", "Keep one of them.");
        }

        return checks.Faults;
    }

    private static (IReadOnlyList<string>? Chemistries, string? Family) Speaks(MatchRule rule) =>
        rule switch
        {
            AttacksRule attacks => (attacks.Chemistries, attacks.Family),
            HoldsBadlyRule holds => (holds.Chemistries, holds.Family),
            TakesOnlyRule takes => (takes.Chemistries, takes.Family),
            NotAtRule not => (not.Chemistries, null),
            _ => (null, null),
        };

    /// <summary>What a rule says, whatever it is called and however its reason is put.</summary>
    private static string Said(MatchRule rule)
    {
        var (chemistries, family) = Speaks(rule);
        return $"{rule.GetType().Name}|{string.Join(',', (chemistries ?? []).Order())}|{family}|{(rule as NotAtRule)?.Trait}|{string.Join(',', (rule as LiesFlatRule)?.Methods ?? [])}";
    }

    private static IReadOnlyList<CatalogueFault> CheckTriage(CatalogueData data)
    {
        var checks = new EntryChecks("triage.json");
        checks.Identifiers(data.Triage, rule => rule.Id);
        foreach (var rule in data.Triage)
        {
            checks.Limits(rule, rule.Id);
            checks.Demand(rule.When.All(signs => signs != new TriageSigns()), rule.Id, "It asks for nothing, so it would apply to every damage.", "Say what has to be seen.");
            foreach (var signs in rule.When)
            {
                checks.Known(signs.Places, rule.Id, "trait", Words(data.Vocabulary.Traits));
                checks.Known(new[] { signs.LayerFamily, signs.OuterFamily }.OfType<string>().ToList(), rule.Id, "family", Words(data.Vocabulary.Families));
            }

            checks.Known(Spoken().Matches(rule.Text).Select(found => found.Groups[1].Value).ToList(), rule.Id, "thing that a text can speak of", TriageRule.Speakable);
        }

        return checks.Faults;
    }

    [GeneratedRegex(@"\{(?:the )?([^\d}][^}]*)\}")]
    private static partial Regex Spoken();

    private static IReadOnlyList<CatalogueFault> CheckCautions(CatalogueData data)
    {
        var checks = new EntryChecks("cautions.json");
        checks.Identifiers(data.Cautions, caution => caution.Id);
        foreach (var caution in data.Cautions)
        {
            checks.Limits(caution, caution.Id);
        }

        checks.Demand(data.Cautions.Any(caution => caution.Id == "safety-sheet"), "safety-sheet", "It is missing: every plan defers to the product's own sheet.", "Bring it back.");
        return checks.Faults;
    }

    private static IReadOnlyList<CatalogueFault> CheckSchools(CatalogueData data, KnownMethods methods)
    {
        var checks = new EntryChecks("schools.json");
        checks.Identifiers(data.Schools, school => school.Id);
        var materials = data.Materials.Select(material => material.Id).ToList();
        foreach (var school in data.Schools)
        {
            checks.Limits(school, school.Id);
            checks.Known(school.Default, school.Id, "option of it", [.. school.Options.Select(option => option.Id)]);
            checks.Demand(school.Options.DistinctBy(option => option.Id).Count() == school.Options.Count, school.Id, "Two options have the same identifier.", "Give each its own.");
            foreach (var option in school.Options)
            {
                checks.Known(option.Method, $"{school.Id}, option {option.Id}", "method", methods.Methods);
                checks.Known(option.Material, $"{school.Id}, option {option.Id}", "material", materials);
            }
        }

        foreach (var missing in methods.Schools.Except(data.Schools.Select(school => school.Id)))
        {
            checks.Demand(false, missing, "A method asks this question, and it is not here.", "Write it, with its options and a default.");
        }

        return checks.Faults;
    }

    private static IReadOnlyList<CatalogueFault> CheckLookTests(CatalogueData data)
    {
        var checks = new EntryChecks("look-tests.json");
        checks.Identifiers(data.LookTests, test => test.Id);
        foreach (var test in data.LookTests)
        {
            checks.Limits(test, test.Id);
            checks.Known(test.Families, test.Id, "family", Words(data.Vocabulary.Families));
        }

        return checks.Faults;
    }

    private static IReadOnlyList<CatalogueFault> CheckAftercare(CatalogueData data, KnownMethods methods)
    {
        var checks = new EntryChecks("aftercare.json");
        checks.Identifiers(data.Aftercare, line => line.Id);
        foreach (var line in data.Aftercare)
        {
            checks.Limits(line, line.Id);
            checks.Known(line.Methods, line.Id, "method", methods.Methods);
            checks.Known(line.Chemistries, line.Id, "chemistry", Words(data.Vocabulary.Chemistries));
            checks.Known(line.Traits, line.Id, "trait", Words(data.Vocabulary.Traits));
        }

        foreach (var twice in data.Aftercare.GroupBy(line => line.Text).Where(group => group.Count() > 1))
        {
            checks.Demand(false, twice.Last().Id, $"It says the same as '{twice.First().Id}'.", "Keep one of them, and widen whom it is for.");
        }

        return checks.Faults;
    }

    private static IReadOnlyList<CatalogueFault> CheckMishaps(CatalogueData data, KnownMethods methods)
    {
        var checks = new EntryChecks("mishaps.json");
        checks.Identifiers(data.Mishaps, mishap => mishap.Id);
        foreach (var mishap in data.Mishaps)
        {
            checks.Limits(mishap, mishap.Id);
            checks.Known(mishap.Stages, mishap.Id, "stage", methods.Stages);
            checks.Known(mishap.Methods, mishap.Id, "method", methods.Methods);
            checks.Known(mishap.Proofs, mishap.Id, "test", [.. Proving.ProofTest.All.Keys]);
            checks.Demand(mishap.Causes.Count > 0, mishap.Id, "Nothing is behind it.", "Give it at least one cause.");
            checks.Identifiers(mishap.Causes, cause => cause.Id);
            foreach (var cause in mishap.Causes)
            {
                checks.Demand(cause.Steps.Count > 0, $"{mishap.Id}, {cause.Id}", "Nothing is done about it.", "Give it at least one step.");
                foreach (var step in cause.Steps)
                {
                    checks.Known(step.Cautions, $"{mishap.Id}, {cause.Id}", "caution", [.. data.Cautions.Select(caution => caution.Id)]);
                    checks.Demand(step.WaitMin is null == step.Check is null, $"{mishap.Id}, {cause.Id}", "A wait has no check, or a check no wait.", "Give both or neither.");
                    checks.Demand(step.Works == RemedyFigure.LeftInTheWarm == step.WarmC is not null && (step.WarmC is null || step.WaitMin is not null), $"{mishap.Id}, {cause.Id}",
                        "What is left in the warm is worked out, and it is not said how warm, or for how long where the clock is not known.", "Give works left-in-the-warm, warmC and waitMin, or neither of the first two.");
                }
            }
        }

        return checks.Faults;
    }
}
