/** The simulated phone's photos, whose truth is known: it knows nothing of the code that measures them. */
export * from "@/standins/panelPhoto";
