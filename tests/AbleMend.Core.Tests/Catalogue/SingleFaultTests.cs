using System.Text.Json.Nodes;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Methods;

namespace AbleMend.Core.Tests.Catalogue;

/// <summary>Single faults, put into the shipped catalogue one at a time: each is refused with its file, its entry and a remedy.</summary>
public class SingleFaultTests
{
    [Fact]
    public void A_kind_of_damage_that_no_method_is_for_and_no_rule_decides_is_named_where_it_comes()
    {
        var known = AllMethods.Known with { Kinds = [.. AllMethods.Known.Kinds.Where(kind => kind != Core.Gear.DamageKind.ValveLeak)] };
        var faults = Should.Throw<CatalogueException>(() => CatalogueLoader.Load(CatalogueLoader.ReadShipped, known)).Faults;
        faults.ShouldAllBe(fault => fault.File == "constructions.json" && fault.Entry.EndsWith("valve-leak") && fault.What.StartsWith("No method is for"));
        faults.ShouldNotBeEmpty();
    }

    /// <summary>File, entry, path of the field inside the entry, and the JSON that is put there; <c>-</c> takes the field away.</summary>
    public static TheoryData<string, string, string, string> Faults => new()
    {
        // A number out of its limits.
        { "materials", "epoxy-2to1", "densityGPerMl", "109" },
        { "materials", "epoxy-2to1", "densityAGPerMl", "11.5" },
        { "materials", "epoxy-2to1", "ratio.a", "-2" },
        { "materials", "epoxy-2to1", "ratio.tolerancePercent", "0" },
        { "materials", "epoxy-2to1", "label.potLifeMin", "-25" },
        { "materials", "epoxy-2to1", "label.maximumHumidityPercent", "850" },
        { "materials", "epoxy-2to1", "label.referenceC", "200" },
        { "materials", "epoxy-2to1", "heat.gelConversion", "3" },
        { "materials", "epoxy-2to1", "skill", "9" },
        { "materials", "epoxy-2to1", "cost", "0" },
        { "materials", "glass-136", "arealWeightGPerM2", "1.36" },
        { "materials", "glass-136", "plyMm", "150" },
        { "materials", "microballoons", "fillerMassShare", "20" },
        { "materials", "acetone", "flashMin", "0" },
        { "materials", "cement-vinyl", "coats", "40" },
        { "materials", "uv-polyester", "light.layerMm", "600" },
        { "materials", "gel-coat", "catalyst.dropMassG", "20" },
        { "substances", "eps-foam", "softensAtC", "7500" },
        { "constructions", "ski", "warrantyMonths", "-1" },
        { "constructions", "ski", "layers[0].thicknessMm", "0" },
        { "constructions", "ski", "locations[0].xPercent", "140" },
        { "constructions", "ski", "damages[0].lengthMm", "9000" },
        { "constructions", "csm-boat", "pressureKpa", "2100" },
        { "aftercare", "for-now", "lookAgainDays", "0" },

        { "triage", "too-large", "when[0].allAreaAboveCm2", "0" },
        { "triage", "brittle-all-over", "when[0].damagesAtLeast", "1" },
        { "triage", "fin-cant-changed", "when[0].cantDiffersByMoreDeg", "90" },

        // A word that is in no vocabulary.
        { "triage", "bent-metal", "when[0].layerFamily", "\"structural-mettal\"" },
        { "triage", "bent-metal", "when[0].kinds[0]", "\"bended\"" },
        { "triage", "heat", "when[0].causes[0]", "\"heet\"" },
        { "triage", "new-board", "decision", "\"warrenty\"" },
        { "triage", "too-large", "text", "\"{the area of everything} is too much for this bench.\"" },
        { "triage", "hydrolysis", "when[0]", "{}" },
        { "triage", "hydrolysis", "when", "[]" },
        { "rules", "styrene-dissolves-polystyrene", "chemistries[0]", "\"polyster\"" },
        { "rules", "styrene-dissolves-polystyrene", "family", "\"polystyrene-foams\"" },
        { "rules", "silicone-takes-silicone", "chemistries[0]", "\"silicon\"" },
        { "rules", "contact-cement-holds-no-air", "trait", "\"air-tight\"" },
        { "rules", "film-needs-flat", "methods[0]", "\"uv-under-flim\"" },
        { "materials", "epoxy-2to1", "chemistry", "\"epoxi\"" },
        { "materials", "epoxy-2to1", "hazards[0]", "\"dragons\"" },
        { "materials", "epoxy-2to1", "bondsTo[0]", "\"cheese\"" },
        { "materials", "acetone", "vapour.solvent", "\"aceton\"" },
        { "materials", "pvc-patch", "suits[0]", "\"pvcc\"" },
        { "materials", "epoxy-2to1", "cure", "\"three-part\"" },
        { "materials", "epoxy-2to1", "role", "\"raisin\"" },
        { "substances", "eps-foam", "families[0]", "\"polystyrenefoam\"" },
        { "substances", "eps-foam", "texture", "\"fluffy\"" },
        { "constructions", "ski", "layers[0].substance", "\"cheese\"" },
        { "constructions", "ski", "coreLayer", "\"heart\"" },
        { "constructions", "ski", "family", "\"skies\"" },
        { "constructions", "ski", "damages[0].kind", "\"scrach\"" },
        { "constructions", "ski", "damages[0].location", "\"keel\"" },
        { "constructions", "csm-boat", "locations[0].traits", "[\"airtigth\"]" },
        { "constructions", "ski", "locations[0].side", "\"bass\"" },
        { "schools", "patch-order", "default", "\"largest-first\"" },
        { "schools", "soft-board", "options[0].method", "\"uv-slice-filled\"" },
        { "schools", "pvc-patch", "options[0].material", "\"cement-vinil\"" },
        { "look-tests", "soapy-water", "families[0]", "\"pvcs\"" },
        { "look-tests", "soapy-water", "kinds[0]", "\"punctures\"" },
        { "aftercare", "for-now", "methods", "[\"uv-under-tape\"]" },
        { "aftercare", "for-now", "chemistries", "[\"epoxies\"]" },
        { "aftercare", "for-now", "traits", "[\"air\"]" },

        // Something that is needed and not there, or there and not known.
        { "materials", "epoxy-2to1", "ratio", "-" },
        { "materials", "epoxy-2to1", "label", "-" },
        { "materials", "epoxy-2to1", "heat", "-" },
        { "materials", "epoxy-2to1", "name", "\"\"" },
        { "materials", "epoxy-2to1", "source", "\"\"" },
        { "materials", "epoxy-2to1", "colour", "\"amber\"" },
        { "materials", "epoxy-2to1", "densityGPerMl", "\"1.1\"" },
        { "materials", "cement-vinyl", "spreadGPerM2", "-" },
        { "materials", "cement-vinyl", "label.tackOpensMin", "-" },
        { "materials", "urethane-sealant", "labelFilmMm", "-" },
        { "materials", "glass-136", "arealWeightGPerM2", "-" },
        { "rules", "styrene-dissolves-polystyrene", "chemistries", "[]" },
        { "rules", "styrene-dissolves-polystyrene", "reason", "\"\"" },
        { "rules", "styrene-dissolves-polystyrene", "kind", "\"bites\"" },
        { "constructions", "ski", "layers", "[]" },
        { "constructions", "ski", "damages", "[]" },
        { "cautions", "gloves", "text", "\"\"" },
        { "schools", "patch-order", "options", "[]" },

        // What contradicts itself, or is listed twice.
        { "materials", "epoxy-2to1", "label.fullMin", "1" },
        { "materials", "epoxy-2to1", "label.recoatClosesMin", "1" },
        { "materials", "epoxy-2to1", "label.minimumC", "40" },
        { "materials", "cement-vinyl", "label.tackClosesMin", "0.2" },
        { "materials", "gel-coat", "catalyst.minPercent", "3" },
        { "materials", "epoxy-5to1", "id", "\"epoxy-2to1\"" },
        { "materials", "epoxy-5to1", "id", "\"Epoxy 5:1\"" },
        { "constructions", "snowboard", "id", "\"ski\"" },
        { "constructions", "ski", "layers[1].id", "\"topsheet\"" },
        { "constructions", "ski", "damages[0].depthMm", "200" },
        { "substances", "pu-foam", "id", "\"eps-foam\"" },
        { "rules", "ketone-dissolves-polystyrene", "chemistries", "[\"polyester\"]" },
        { "cautions", "amine-sensitiser", "id", "\"gloves\"" },
        { "schools", "seam-leak", "id", "\"pvc-patch\"" },
        { "aftercare", "sun-and-air", "id", "\"for-now\"" },
        { "materials", "epoxy-2to1", "hazards", "[\"gloves\", \"gloves\"]" },
    };

    [Theory]
    [MemberData(nameof(Faults))]
    public void Each_is_refused_with_its_file_its_entry_and_a_remedy(string file, string entry, string path, string value)
    {
        var broken = Should.Throw<CatalogueException>(() => CatalogueLoader.Load(name => name == file ? Broken(file, entry, path, value) : CatalogueLoader.ReadShipped(name), AllMethods.Known));
        var fault = broken.Faults.First(each => each.File == $"{file}.json");
        fault.Remedy.Length.ShouldBeGreaterThan(5);
        var named = path == "id" ? value.Trim('"') : entry;
        fault.Entry.ShouldContain(named);
    }

    [Theory]
    [InlineData("rules", "styrene-dissolves-polystyrene", "chemistries[0]", "\"polyster\"", "polyester")]
    [InlineData("aftercare", "for-now", "methods", "[\"uv-under-flim\"]", "uv-under-film")]
    [InlineData("constructions", "ski", "layers[0].substance", "\"topshet\"", "topsheet")]
    [InlineData("materials", "epoxy-2to1", "hazards[0]", "\"glove\"", "gloves")]
    public void A_wrong_spelling_is_answered_with_the_word_that_was_meant(string file, string entry, string path, string value, string meant) =>
        Should.Throw<CatalogueException>(() => CatalogueLoader.Load(name => name == file ? Broken(file, entry, path, value) : CatalogueLoader.ReadShipped(name), AllMethods.Known))
            .Faults.ShouldContain(fault => fault.Remedy == $"Did you mean '{meant}'?");

    [Fact]
    public void All_faults_are_told_at_once()
    {
        var broken = Should.Throw<CatalogueException>(() => CatalogueLoader.Load(
            name => name switch
            {
                "materials" => Broken("materials", "epoxy-2to1", "densityGPerMl", "109"),
                "rules" => Broken("rules", "silicone-takes-silicone", "family", "\"silicone\""),
                "aftercare" => Broken("aftercare", "for-now", "lookAgainDays", "0"),
                _ => CatalogueLoader.ReadShipped(name),
            },
            AllMethods.Known));
        broken.Faults.Select(fault => fault.File).Distinct().Order().ShouldBe(["aftercare.json", "materials.json", "rules.json"]);
    }

    [Fact]
    public void A_method_that_asks_a_question_or_needs_a_tool_that_is_not_declared_is_refused()
    {
        var known = AllMethods.Known;
        var strange = known with { Schools = [.. known.Schools, "which-glue"], Tools = [.. known.Tools, "wand"] };
        Should.Throw<CatalogueException>(() => CatalogueLoader.LoadShipped(strange)).Faults.Select(fault => fault.File).ShouldBe(["vocabulary.json", "schools.json"]);
    }

    private static JsonArray Entries(string file) => JsonNode.Parse(CatalogueLoader.ReadShipped(file))!.AsArray();

    private static string Broken(string file, string entry, string path, string value)
    {
        var entries = Entries(file);
        var at = entries.First(each => each!["id"]!.GetValue<string>() == entry)!;
        var names = path.Replace("[", ".[", StringComparison.Ordinal).Split('.');
        foreach (var name in names[..^1])
        {
            at = name.StartsWith('[') ? at[int.Parse(name.Trim('[', ']'))]! : at[name]!;
        }

        if (value == "-")
        {
            at.AsObject().Remove(names[^1]);
        }
        else if (names[^1].StartsWith('['))
        {
            at.AsArray()[int.Parse(names[^1].Trim('[', ']'))] = JsonNode.Parse(value);
        }
        else
        {
            at[names[^1]] = JsonNode.Parse(value);
        }

        return entries.ToJsonString();
    }
}
