namespace AbleMend.Core.Words;

/// <summary>Marks a text of the catalogue that is read by people, so that it is listed with the templates and may be put in other words.</summary>
[AttributeUsage(AttributeTargets.Property)]
public sealed class WordsAttribute : Attribute;
